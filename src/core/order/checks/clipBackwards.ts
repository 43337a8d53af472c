import { defineOrderCheck, entriesThat } from './rule.ts';

export const clipBackwards = defineOrderCheck({
  id: 'clipBackwards',
  severity: 'error',
  holds: 'Every clip ends after it begins',
  about: 'A clip that ends before it begins plays nothing, or all of it.',
  run: (checked) =>
    entriesThat(checked, ({ from = 0, until }) => until !== undefined && until <= from, { entry: { until: undefined } }),
});
