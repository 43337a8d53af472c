import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const coverPlain = defineCheck({
  id: 'coverPlain',
  severity: 'note',
  holds: 'The cover shows a picture',
  about: 'Until it is pressed, an embed that loads on request is its cover: without a picture, an empty area with a button.',
  run: ({ plan, code }) => {
    if (plan.pressed === null || plan.frame.cover !== undefined) return NOTHING;
    return [{ place: placeOf(code, 'load'), actual: '', expected: '', remedy: { by: 'asking', setting: 'cover' } }];
  },
});
