import { KINDS } from '../../../model/kind.ts';
import { defineQuestion } from '../question.ts';

export const loads = defineQuestion({
  id: 'loads',
  moment: 'arrive',
  setting: 'load',
  kinds: KINDS,
  expected: ({ load }) => (load === 'ask' ? 'nothing' : null),
  observed: ({ visit }) => {
    const loaded = visit.find((one) => one.what === 'loaded');
    return loaded ? (loaded.from.length === 0 ? 'nothing' : 'host') : null;
  },
});
