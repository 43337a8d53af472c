import { readJson } from '../../model/json.ts';
import { cardSchema, type HostCard } from './card.ts';

/** Why a card was refused: where in it, and what would be right. */
export interface CardProblem {
  file: string;
  /** Path within the card, such as `links[2].target`; empty for the whole file. */
  place: string;
  /** The same path, step by step. */
  path: readonly (string | number)[];
  message: string;
}

/** Reads card files, each with one card or a list of them. A wrong card is refused with its reasons; the others still load. */
export function loadCards(files: readonly { name: string; text: string }[]): { cards: HostCard[]; problems: CardProblem[] } {
  const cards: HostCard[] = [];
  const problems: CardProblem[] = [];
  for (const { name, text } of files) {
    const read = readJson(text);
    if ('wrong' in read) problems.push({ file: name, place: '', path: [], message: read.wrong });
    else if (Array.isArray(read.value)) read.value.forEach((value, i) => loadCard(`${name}[${i}]`, value, { cards, problems }));
    else loadCard(name, read.value, { cards, problems });
  }
  return { cards, problems };
}

function loadCard(file: string, value: unknown, { cards, problems }: { cards: HostCard[]; problems: CardProblem[] }): void {
  const result = cardSchema.safeParse(value);
  if (result.success) return void cards.push(result.data);
  for (const issue of result.error.issues) {
    const { path } = issue;
    const message = issue.code === 'invalid_key' ? (issue.issues[0]?.message ?? issue.message) : issue.message;
    problems.push({
      file,
      place: showPath(path),
      path: path.map((key) => (typeof key === 'number' ? key : String(key))),
      message,
    });
  }
}

const showPath = (path: readonly PropertyKey[]): string =>
  path.map((key, i) => (typeof key === 'number' ? `[${key}]` : `${i ? '.' : ''}${String(key)}`)).join('');
