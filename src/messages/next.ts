import type { NextStep } from '../core/proof/nextStep.ts';
import { sayChanges } from './settings.ts';
import { t } from './t.ts';

/** What to do next, in one line, and what the button for it says. */
export const NEXT_STEPS: {
  [Code in NextStep['code']]: { words: (step: Extract<NextStep, { code: Code }>) => string; press?: string };
} = {
  paste: {
    words: ({ waiting }) =>
      Object.keys(waiting).length === 0
        ? t('Paste a share link or an embed code to begin.')
        : t('Paste the next link. It is set like the last one: {settings}.', { settings: sayChanges(waiting) }),
  },
  fix: {
    words: ({ count }) => t('{count, plural, one {# error stands in the way.} other {# errors stand in the way.}}', { count }),
    press: t('Show it'),
  },
  prove: { words: () => t('See whether it does what you set.'), press: t('Play it through') },
  differs: {
    words: ({ count }) =>
      t('{count, plural, one {# thing did not happen as asked.} other {# things did not happen as asked.}}', { count }),
    press: t('Show what happened'),
  },
  copy: { words: () => t('It did as asked. Copy the code.') },
  place: {
    words: () => t('Copied. Once it is published, see whether the site changed the code.'),
    press: t('Check published code'),
  },
};
