import { boxHeight } from '../../../model/box.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const scrollsInside = defineCheck({
  id: 'scrollsInside',
  severity: 'warning',
  holds: 'It needs no scroll bar of its own',
  about: 'A frame that is lower than its content gets a second scroll bar, in which visitors lose their way.',
  run: ({ plan: { box }, facts, code }) => {
    const height = boxHeight(box);
    if (!code.framed || facts.contentHeight === undefined || height >= facts.contentHeight) return NOTHING;
    const change = { height: Math.ceil(facts.contentHeight), ratio: null };
    const [actual, expected] = [String(height), String(Math.ceil(facts.contentHeight))];
    return [{ place: placeOf(code, box.heightFrom), actual, expected, remedy: { by: 'settings', change } }];
  },
});
