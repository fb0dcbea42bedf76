/**
 * The order in which the unknowns of a symmetric sparse system are eliminated, and where each step of it writes. Made
 * once for a network; solving then touches only what is there. Lines are mostly trees, and of a tree nothing fills in.
 */
export interface Elimination {
  /** Unknowns in the order in which they go. */
  order: Int32Array
  /** For each place of the order, where its entries begin in `other`; the last number ends the list. */
  begins: Int32Array
  /** The unknown at the other side of each entry, which goes later. */
  other: Int32Array
  /** For each pivot where its updates begin; and for each the two entries that meet in it, and the one they add to. */
  updates: Int32Array
  left: Int32Array
  right: Int32Array
  target: Int32Array
  /** The entry of a pair of unknowns. */
  entryOf: (one: number, two: number) => number
}

/** Fewest neighbours first; of equals, the lowest. */
export function eliminationOf(unknowns: number, pairs: readonly (readonly [number, number])[]): Elimination {
  const neighbours = Array.from({ length: unknowns }, () => new Set<number>())
  for (const [one, two] of pairs) {
    if (one === two) continue
    neighbours[one]!.add(two)
    neighbours[two]!.add(one)
  }
  const order = new Int32Array(unknowns)
  const placeOf = new Int32Array(unknowns).fill(-1)
  const later: number[][] = []
  const byCount: Set<number>[] = []
  const bucket = (count: number) => (byCount[count] ??= new Set())
  neighbours.forEach((set, unknown) => bucket(set.size).add(unknown))
  for (let place = 0; place < unknowns; place++) {
    let least = 0
    while (!byCount[least]?.size) least++
    const [pivot] = byCount[least]!
    byCount[least]!.delete(pivot!)
    order[place] = pivot!
    placeOf[pivot!] = place
    const around = [...neighbours[pivot!]!]
    later.push(around)
    for (const one of around) {
      bucket(neighbours[one]!.size).delete(one)
      neighbours[one]!.delete(pivot!)
      for (const two of around) if (two !== one) neighbours[one]!.add(two)
      bucket(neighbours[one]!.size).add(one)
    }
  }
  return laidOut(order, placeOf, later)
}

function laidOut(order: Int32Array, placeOf: Int32Array, later: number[][]): Elimination {
  const begins = new Int32Array(order.length + 1)
  later.forEach((around, place) => (begins[place + 1] = begins[place]! + around.length))
  const other = new Int32Array(begins.at(-1)!)
  const entries = new Map<number, number>()
  const key = (one: number, two: number) => {
    const [first, second] = placeOf[one]! < placeOf[two]! ? [one, two] : [two, one]
    return first * order.length + second
  }
  later.forEach((around, place) => {
    around.forEach((unknown, at) => {
      other[begins[place]! + at] = unknown
      entries.set(key(order[place]!, unknown), begins[place]! + at)
    })
  })
  const entryOf = (one: number, two: number) => entries.get(key(one, two))!
  const updates = new Int32Array(order.length + 1)
  const [left, right, target]: number[][] = [[], [], []]
  later.forEach((around, place) => {
    around.forEach((one, at) => {
      for (let further = at + 1; further < around.length; further++) {
        left!.push(begins[place]! + at)
        right!.push(begins[place]! + further)
        target!.push(entryOf(one, around[further]!))
      }
    })
    updates[place + 1] = left!.length
  })
  const kept = (list: number[] | undefined) => Int32Array.from(list!)
  return { order, begins, other, updates, left: kept(left), right: kept(right), target: kept(target), entryOf }
}

/**
 * Solves a network of conductances, in place: `between` the unknowns, and from each `toGround`, which is at nothing;
 * `rhs` is what is fed in at each and becomes the solution. The other two are used up. Nothing is ever subtracted
 * (Grassmann, Taksar and Heyman 1985), so that next to nothing beside very much is still told apart.
 */
export function eliminate(
  { order, begins, other, updates, left, right, target }: Elimination,
  toGround: Float64Array,
  between: Float64Array,
  rhs: Float64Array,
): void {
  for (let place = 0; place < order.length; place++) {
    const pivot = order[place]!
    const [begin, end] = [begins[place]!, begins[place + 1]!]
    const ground = toGround[pivot]!
    let all = ground
    for (let entry = begin; entry < end; entry++) all += between[entry]!
    // What is joined to nothing stands at nothing.
    const inverse = all === 0 ? 0 : 1 / all
    toGround[pivot] = inverse
    const fed = rhs[pivot]! * inverse
    for (let entry = begin; entry < end; entry++) {
      toGround[other[entry]!]! += between[entry]! * ground * inverse
      rhs[other[entry]!]! += between[entry]! * fed
    }
    for (let update = updates[place]!; update < updates[place + 1]!; update++)
      between[target[update]!]! += between[left[update]!]! * between[right[update]!]! * inverse
  }
  for (let place = order.length - 1; place >= 0; place--) {
    const pivot = order[place]!
    let sum = rhs[pivot]!
    for (let entry = begins[place]!; entry < begins[place + 1]!; entry++) sum += between[entry]! * rhs[other[entry]!]!
    rhs[pivot] = sum * toGround[pivot]!
  }
}
