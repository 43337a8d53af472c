import { defineOrderCheck } from './rule.ts';

/** Bytes that a page may weigh within the code. */
const MOST = 300_000;

export const heavy = defineOrderCheck({
  id: 'heavy',
  severity: 'warning',
  holds: 'The page is light',
  about:
    'Within the code it is loaded with every visit, also by those who play nothing. As a file of its own it is kept by browsers, and loads when it is near.',
  run: ({ weight }) => (weight > MOST ? [{ entries: [], actual: `${Math.round(weight / 1000)} kB` }] : []),
});
