import type { Unsaid } from '../core/known/sites/learnt.ts';
import { showList, t } from './t.ts';

const PARTS: { [Of in Unsaid]: string } = { name: t('name'), address: t('address'), language: t('language') };

/** What was learnt from a page of a site, and what is still that of another, by the name of that one. */
export function sayLearnt(unsaid: readonly Unsaid[], other: string): string {
  const learnt = t('Learnt from the page: column, type and colours, and a specimen of its text.');
  if (unsaid.length === 0) return learnt;
  const rest = t('The page does not say: {parts}. There it is as with {other}; put it right.', {
    parts: showList(unsaid.map((part) => PARTS[part])),
    other,
  });
  return `${learnt} ${rest}`;
}
