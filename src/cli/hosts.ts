import { sayCardProblem } from '../messages/en.ts';
import { loadFolder } from './io.ts';

/** Validates every card of the folder and says what is wrong, with its place. */
export function hosts(options: { json?: boolean; hosts?: string }): number {
  const { cards, problems } = loadFolder(options.hosts);
  if (options.json)
    console.log(JSON.stringify({ cards: cards.map(({ id, name, updated }) => ({ id, name, updated })), problems }, null, 2));
  else {
    cards.forEach((card) => console.log(`${card.id}: ${card.name}, of ${card.updated}, ${card.links.length} link forms`));
    problems.forEach((problem) => console.error(sayCardProblem(problem)));
  }
  return problems.length === 0 ? 0 : 1;
}
