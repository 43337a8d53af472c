import { defineQuestion, PLAYS } from '../question.ts';
import { reportsOf } from '../seen.ts';

export const sound = defineQuestion({
  id: 'sound',
  moment: 'begin',
  setting: 'mute',
  kinds: PLAYS,
  expected: ({ mute }) => (mute === 'on' ? 'muted' : mute === 'off' ? 'sounding' : null),
  observed: ({ visit }) => {
    const told = reportsOf(visit).findLast(({ muted }) => muted !== undefined);
    return told ? (told.muted ? 'muted' : 'sounding') : null;
  },
});
