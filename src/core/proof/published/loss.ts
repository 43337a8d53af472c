import type { Site } from '../../model/site.ts';

/** What a site did to the code that it was given, as data. */
export type Loss =
  /** There is no trace of it. */
  | { code: 'gone' }
  /** The code itself can be read on the page. */
  | { code: 'asText' }
  /** Only its address is left, as a link or as words. */
  | { code: 'linkOnly' }
  | { code: 'doubled'; times: number }
  | { code: 'elementGone'; tag: string }
  | { code: 'attributeGone'; tag: string; name: string; was: string }
  | { code: 'attributeChanged'; tag: string; name: string; was: string; now: string }
  | { code: 'attributeNew'; tag: string; name: string; now: string }
  | { code: 'propertyGone'; tag: string; name: string; was: string }
  | { code: 'propertyChanged'; tag: string; name: string; was: string; now: string };

/** Losses with which nothing of the embed is left. */
export const fatal = ({ code }: Loss): boolean => code === 'gone' || code === 'asText' || code === 'linkOnly';

/** How bad it is: nothing of it works, it works otherwise, or it makes no difference that can be seen. */
export function severityOf(loss: Loss): 'error' | 'warning' | 'note' {
  if (fatal(loss) || (loss.code === 'elementGone' && (loss.tag === 'iframe' || loss.tag === 'script'))) return 'error';
  return loss.code === 'attributeNew' ? 'note' : 'warning';
}

export type Strips = Site['strips'];

/** What can be learnt of the site from what it did to an embed of this element. */
export function learn(losses: readonly Loss[], main: string): Strips {
  const all = <Code extends Loss['code']>(code: Code) =>
    losses.filter((loss): loss is Extract<Loss, { code: Code }> => loss.code === code);
  const tags = losses.some(fatal) ? [main] : all('elementGone').map(({ tag }) => tag);
  return {
    scripts: tags.includes('script'),
    elements: unique(tags.filter((tag) => tag !== 'script')),
    attributes: unique(all('attributeGone').map(({ name }) => name)),
    properties: unique(all('propertyGone').map(({ name }) => name)),
  };
}

/** What was known of a site, and what was learnt. */
export const joinStrips = (known: Strips, learnt: Strips): Strips => ({
  scripts: known.scripts || learnt.scripts,
  elements: unique([...known.elements, ...learnt.elements]),
  attributes: unique([...known.attributes, ...learnt.attributes]),
  properties: unique([...known.properties, ...learnt.properties]),
});

const unique = (names: readonly string[]): string[] => [...new Set(names)].sort();
