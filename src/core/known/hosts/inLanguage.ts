import type { CardSetting, HostCard } from './card.ts';

type Say = (english: string) => string;

/** What a card says in words, each once, in its own language: what `said` may translate. */
export function wordsOf(card: HostCard): string[] {
  const words = new Set<string>();
  retold(card, (english) => {
    words.add(english);
    return english;
  });
  return [...words];
}

/**
 * A card with its words in the language of a reader (BCP 47 tag), as far as the card says them; all else is as it was. It is
 * for showing: who keeps, copies or exports a card keeps the one that was given.
 */
export function inLanguage(card: HostCard, tag: string): HostCard {
  const said = new Map(Object.entries(card.said[tag] ?? {}));
  return said.size === 0 ? card : retold(card, (english) => said.get(english) ?? english);
}

const retold = (card: HostCard, say: Say): HostCard => ({
  ...card,
  identifiers: each(card.identifiers, (one) => ({ ...one, name: say(one.name), words: say(one.words) })),
  targets: each(card.targets, (one) => ({
    ...one,
    access: one.access.map((rule) => ({ ...rule, words: say(rule.words), remedy: say(rule.remedy) })),
  })),
  links: card.links.map((form) => ({
    ...form,
    name: say(form.name),
    ...(form.refused && { refused: { why: say(form.refused.why), remedy: say(form.refused.remedy) } }),
  })),
  settings: each(card.settings, (use) => retoldSetting(use, say)),
});

function retoldSetting(use: CardSetting, say: Say): CardSetting {
  if (use.in === 'nowhere') return { ...use, note: say(use.note) };
  const noted = use.note ? { note: { ...use.note, text: say(use.note.text) } } : {};
  if (use.in === 'origin') return { ...use, ...noted };
  return {
    ...use,
    ...noted,
    limits: use.limits.map((limit) => ({ ...limit, happens: say(limit.happens) })),
    withdrawn: use.withdrawn.map((value) => ({ ...value, note: say(value.note) })),
  };
}

const each = <Of extends object>(parts: Of, change: (part: NonNullable<Of[keyof Of]>) => Of[keyof Of]): Of =>
  Object.fromEntries(Object.entries(parts).map(([name, part]) => [name, change(part as NonNullable<Of[keyof Of]>)])) as Of;
