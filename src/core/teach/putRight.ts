import type { HostCard } from '../known/hosts/card.ts';
import { withEdges } from './edges.ts';
import type { Example, PutRight } from './examples.ts';
import { withParts } from './parts.ts';

/** A card learnt from examples, with what was put right by hand of its links. */
export const withPutRight = (
  card: HostCard,
  { parts, edges }: Pick<PutRight, 'parts' | 'edges'>,
  examples: readonly Example[],
): HostCard =>
  withEdges(
    withParts(card, parts),
    edges,
    examples.flatMap(({ link }) => link ?? []),
  );
