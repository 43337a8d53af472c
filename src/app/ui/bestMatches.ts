/** Something that is found by typing. */
export interface Findable {
  id: string;
  /** Under which it is listed. */
  group: string;
  label: string;
  /** What is said of it, beside its label. */
  words: string;
  /** What else it is found by. */
  more?: string;
  /** Whether it is listed only where something was typed, and behind the rest. */
  behind?: boolean;
}

/** The best matches among what leads somewhere, and behind them the best among what is listed behind. */
export function bestMatches<One extends Findable>(options: readonly One[], typed: string): One[] {
  const wanted = typed.trim().toLowerCase();
  const first = best(
    options.filter(({ behind }) => !behind),
    wanted,
  );
  if (wanted === '') return first;
  return [
    ...first,
    ...best(
      options.filter(({ behind }) => behind),
      wanted,
    ),
  ];
}

/** Those of that very name, or else with it in their names, or else with all its words anywhere in what is said of them. */
function best<One extends Findable>(options: readonly One[], wanted: string): One[] {
  const words = wanted.split(/\s+/);
  const by = (matches: (option: One) => boolean): One[] => options.filter(matches);
  const ways = [
    () => by(({ label }) => label.toLowerCase() === wanted),
    () => by(({ label }) => label.toLowerCase().includes(wanted)),
    () =>
      by(({ label, words: said, more = '' }) => {
        const all = `${label} ${said} ${more}`.toLowerCase();
        return words.every((word) => all.includes(word));
      }),
  ];
  for (const way of ways) {
    const found = way();
    if (found.length > 0) return found;
  }
  return [];
}
