import { defineQuestion } from '../question.ts';
import { overIn, reportsOf } from '../seen.ts';

export const afterwards = defineQuestion({
  id: 'afterwards',
  moment: 'end',
  setting: 'related',
  kinds: ['video', 'audio', 'podcast', 'recording', 'slideshow'],
  expected: ({ loop, related }) => (loop === 'on' ? 'again' : related === undefined ? null : String(related)),
  observed: ({ end, author }) => {
    const turnedBack = reportsOf(end).some(({ page }, i, all) => page === 1 && (all[i - 1]?.page ?? 0) > 1);
    const over = overIn(end);
    if (turnedBack || over?.after.some(({ event, time }) => event === 'playing' || (time ?? over.at) < over.at - 1))
      return 'again';
    const offers = (over ? [over.ending, ...over.after] : reportsOf(end)).find((report) => report.offers)?.offers;
    if (offers) return offers.length === 0 ? 'none' : offers.every((maker) => maker === author) ? 'same' : 'any';
    return over || reportsOf(end).some(({ event }) => event === 'ended') ? 'stops' : null;
  },
  // Nothing of others' is shown where it just stops.
  agrees: (expected, observed) => expected === observed || (expected === 'none' && observed === 'stops'),
});
