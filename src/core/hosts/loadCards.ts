import { cardSchema, type HostCard } from './card.ts';

/** Why a card was refused: where in it, and what would be right. */
export interface CardProblem {
  file: string;
  /** Path within the card, such as `links[2].target`; empty for the whole file. */
  place: string;
  message: string;
}

/** Reads card files. A wrong card is refused with its reasons; the others still load. */
export function loadCards(files: readonly { name: string; text: string }[]): { cards: HostCard[]; problems: CardProblem[] } {
  const cards: HostCard[] = [];
  const problems: CardProblem[] = [];
  for (const { name, text } of files) {
    const read = readJson(text);
    if ('message' in read) {
      problems.push({ file: name, place: '', message: read.message });
      continue;
    }
    const result = cardSchema.safeParse(read.value);
    if (result.success) cards.push(result.data);
    else
      for (const issue of result.error.issues) problems.push({ file: name, place: showPath(issue.path), message: issue.message });
  }
  return { cards, problems };
}

function readJson(text: string): { value: unknown } | { message: string } {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch (error) {
    return { message: `not JSON: ${error instanceof Error ? error.message : String(error)}` };
  }
}

const showPath = (path: readonly PropertyKey[]): string =>
  path.map((key, i) => (typeof key === 'number' ? `[${key}]` : `${i ? '.' : ''}${String(key)}`)).join('');
