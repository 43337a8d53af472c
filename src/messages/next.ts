import type { NextStep } from '../core/proof/nextStep.ts';

/** What to do next, in one line, and what the button for it says. */
export const NEXT_STEPS: {
  [Code in NextStep['code']]: { words: (step: Extract<NextStep, { code: Code }>) => string; press?: string };
} = {
  paste: { words: () => 'Paste a share link or an embed code to begin.' },
  fix: {
    words: ({ count }) => (count === 1 ? '1 error stands in the way.' : `${count} errors stand in the way.`),
    press: 'Show it',
  },
  prove: { words: () => 'See whether it does what you set.', press: 'Play it through' },
  differs: {
    words: ({ count }) => (count === 1 ? '1 thing did not happen as asked.' : `${count} things did not happen as asked.`),
    press: 'Show what happened',
  },
  copy: { words: () => 'It did as asked. Copy the code.' },
  place: {
    words: () => 'Copied. Once it is on your page, paste the page’s code back to see what became of it.',
    press: 'Paste it back',
  },
};
