import { Children, type ReactNode } from 'react';
import { formatOf } from '../../messages/t.ts';

/** What a tag of a sentence becomes, and what stands in the place of a name in braces. */
type RichValues = Readonly<Record<string, ReactNode | ((inside: ReactNode) => ReactNode)>>;

/** A sentence with elements in it: `Open the <a>Bench</a>`, each tag drawn by the function of its name. */
export function rich(english: string, values: RichValues): ReactNode {
  const drawn = Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'function' ? (inside: ReactNode[]) => value(Children.toArray(inside)) : value,
    ]),
  );
  return Children.toArray(formatOf(english, false).format<ReactNode>(drawn));
}
