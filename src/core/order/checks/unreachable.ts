import type { Reached } from '../../proof/reach/reached.ts';
import { defineOrderCheck, entriesThat } from './rule.ts';

const NOTHING_THERE: ReadonlySet<Reached['code']> = new Set([
  'notReleased',
  'keyMissing',
  'mustSignIn',
  'closed',
  'refusesFraming',
  'gone',
]);

export const unreachable = defineOrderCheck({
  id: 'unreachable',
  severity: 'error',
  holds: 'Visitors get every entry',
  about:
    'Each address is asked as a visitor who is signed in nowhere; what is gone, closed or refuses to be framed plays nothing.',
  run: (checked) =>
    entriesThat(checked, ({ address }) => checked.reached.get(address)?.some(({ code }) => NOTHING_THERE.has(code)) ?? false, {
      remove: true,
    }),
});
