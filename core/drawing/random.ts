import { Random } from "../numeric";

/** Seeded chance, so that a fly always looks the same. Values in [0, 1). */
export function seeded(seed: string): () => number {
  let h = 1779033703 ^ seed.length;
  for (let i = 0; i < seed.length; i++) {
    h = Math.imul(h ^ seed.charCodeAt(i), 3432918353);
    h = (h << 13) | (h >>> 19);
  }
  const random = new Random(h);
  return () => random.next();
}
