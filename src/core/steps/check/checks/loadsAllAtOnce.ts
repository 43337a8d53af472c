import { defineCheck, NOTHING, placeOf, takesEffect } from '../rule.ts';

export const loadsAllAtOnce = defineCheck({
  id: 'loadsAllAtOnce',
  severity: 'warning',
  holds: 'It does not load everything at once',
  about: 'Pages that turn by themselves, or background sound, make a booklet load all its pages with the page around it.',
  run: ({ item, settings, plan, code }) => {
    const turns = takesEffect(plan, 'interval') || takesEffect(plan, 'soundBed', 'on');
    if (item.kind !== 'booklet' || !turns || settings.load === 'near' || plan.pressed !== null) return NOTHING;
    const change = { load: 'near' };
    return [{ place: placeOf(code, 'interval'), actual: '', expected: '', remedy: { by: 'settings', change } }];
  },
});
