/**
 * A seeded source of uniform numbers in [0, 1): mulberry32 (public domain, from memory). Not for secrets.
 * Randomness is always a parameter in this project, so that the same seed gives the same result.
 */
export type Random = () => number;

export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal deviate by the method of Box and Muller (1958). */
export function normalDeviate(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Poisson deviate: Knuth's product below a mean of 30, a rounded normal above it. */
export function poissonDeviate(random: Random, mean: number): number {
  if (mean <= 0) return 0;
  if (mean > 30) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normalDeviate(random)));
  const limit = Math.exp(-mean);
  let product = random();
  let count = 0;
  while (product > limit) {
    product *= random();
    count++;
  }
  return count;
}
