import { KINDS } from '../../../model/kind.ts';
import { defineQuestion } from '../question.ts';
import { before, reportsOf } from '../seen.ts';

export const loads = defineQuestion({
  id: 'loads',
  moment: 'arrive',
  setting: 'load',
  kinds: KINDS,
  expected: ({ load }) => (load === 'ask' ? 'nothing' : null),
  observed: ({ visit }) => {
    const loaded = visit.find((one) => one.what === 'loaded');
    // What has told something has been asked for, whether the browser counts it yet or not.
    if (loaded && reportsOf(before(visit, 'press')).length > 0) return 'host';
    return loaded ? (loaded.from.length === 0 ? 'nothing' : 'host') : null;
  },
});
