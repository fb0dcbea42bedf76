const STEPS = 200

/**
 * Where a rising figure comes to a value: by halving, to a relative 1e-12, from 0 up to `most` or as far as it takes.
 * What it never comes to is `most`, or 1e9 times where the search began.
 */
export function risingTo(wanted: number, figure: (at: number) => number, begin = 1, most = Infinity): number {
  if (figure(0) >= wanted) return 0
  let [low, high] = [0, Math.min(begin, most)]
  const furthest = Math.min(most, begin * 1e9)
  while (figure(high) < wanted && high < furthest) [low, high] = [high, Math.min(furthest, high * 2)]
  for (let step = 0; step < STEPS && high - low > 1e-12 * high; step++) {
    const middle = (low + high) / 2
    if (figure(middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}
