import { defineOrderCheck, entriesThat } from './rule.ts';

export const clipBeyondEnd = defineOrderCheck({
  id: 'clipBeyondEnd',
  severity: 'warning',
  holds: 'Every clip lies within its item',
  about: 'A clip that begins after the end of its item plays nothing.',
  run: (checked) =>
    entriesThat(checked, ({ from = 0, seconds }) => seconds !== undefined && from >= seconds, { entry: { from: undefined } }),
});
