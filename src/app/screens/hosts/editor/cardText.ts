import { findNodeAtLocation, parseTree, type ParseError } from 'jsonc-parser';
import type { HostCard } from '../../../../core/known/hosts/card.ts';
import { loadCards, type CardProblem } from '../../../../core/known/hosts/loadCards.ts';

/** A problem with its place in the text. */
export type PlacedProblem = CardProblem & { at: number; length: number; line: number };

/** The card that a text holds, or what is wrong in it and where. */
export function checkCardText(text: string): { card: HostCard | null; problems: PlacedProblem[] } {
  const { cards, problems } = loadCards([{ name: 'card', text }]);
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors);
  const placed = problems.map((problem): PlacedProblem => {
    const node = problem.path.length > 0 && tree ? nearest(tree, problem.path) : undefined;
    const at = node?.offset ?? errors[0]?.offset ?? 0;
    return { ...problem, at, length: node?.length ?? 1, line: text.slice(0, at).split('\n').length };
  });
  return { card: cards[0] ?? null, problems: placed };
}

/** The node at the path; where it is missing, the nearest that is there. */
function nearest(tree: NonNullable<ReturnType<typeof parseTree>>, path: readonly (string | number)[]): typeof tree | undefined {
  for (let length = path.length; length >= 0; length--) {
    const node = findNodeAtLocation(tree, path.slice(0, length));
    if (node) return node;
  }
  return undefined;
}
