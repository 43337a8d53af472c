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
}

/** Those of that very name, or else with it in their names, or else with all its words anywhere in what is said of them. */
export function bestMatches<One extends Findable>(options: readonly One[], typed: string): One[] {
  const wanted = typed.trim().toLowerCase();
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
