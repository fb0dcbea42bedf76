import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Uniform numbers in [0, 1); the same seed gives the same ones. */
export function seeded(seed: number): () => number {
  const generator = xoroshiro128plus(seed)
  return () => (generator.next() >>> 0) / 4294967296
}
