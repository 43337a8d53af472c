import { defineCheck, NOTHING, placeOf } from '../rule.ts';

/** The name under which a host has its domains: the last two labels, with the port. */
const familyOf = (address: string): string => new URL(address).host.split('.').slice(-2).join('.');

export const coverFromHost = defineCheck({
  id: 'coverFromHost',
  severity: 'error',
  holds: 'The cover is not fetched from the host',
  about:
    'A cover that lies at the host is fetched from there before a visitor has asked for anything, which is what the cover was to prevent.',
  run: ({ item, settings, plan, code }) => {
    const { cover } = settings;
    if (plan.pressed === null || typeof cover !== 'string' || !cover.startsWith('http')) return NOTHING;
    if (familyOf(cover) !== familyOf(item.frame ?? item.canonical)) return NOTHING;
    return [
      { place: placeOf(code, 'cover'), actual: new URL(cover).host, expected: '', remedy: { by: 'asking', setting: 'cover' } },
    ];
  },
});
