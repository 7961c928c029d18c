/**
 * Seeded random numbers (mulberry32): the same seed gives the same sequence everywhere.
 *
 * @example
 * const r = seeded(7);
 * r.uniform(); // in [0, 1)
 * r.normal();  // mean 0, standard deviation 1
 */
export interface Seeded {
  uniform(): number;
  normal(): number;
}

export function seeded(seed: number): Seeded {
  let state = seed >>> 0;
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => {
    const u = Math.max(uniform(), 1e-12);
    return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * uniform());
  };
  return { uniform, normal };
}
