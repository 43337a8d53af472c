/** The fastest of several rounds for each work, in milliseconds; taken in turns, so that a slow moment meets all alike. */
export function fastest(rounds: number, ...works: (() => void)[]): number[] {
  const best = works.map(() => Infinity);
  for (let round = 0; round < rounds; round++)
    works.forEach((work, i) => {
      const from = performance.now();
      work();
      best[i] = Math.min(best[i]!, performance.now() - from);
    });
  return best;
}
