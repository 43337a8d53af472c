import { defineCheck, NOTHING } from '../rule.ts';

export const scriptTwice = defineCheck({
  id: 'scriptTwice',
  severity: 'note',
  holds: 'No script is loaded twice',
  about:
    'Two embeds of one host bring the same script. It is needed once a page; loaded again, some scripts count everything twice.',
  run: ({ siblings, code }) => {
    const script = siblings?.sharedScript(code.text);
    return script ? [{ place: null, actual: script, expected: '' }] : NOTHING;
  },
});
