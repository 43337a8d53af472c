import { defineOrderCheck, entriesThat } from './rule.ts';

export const waitsForVisitor = defineOrderCheck({
  id: 'waitsForVisitor',
  severity: 'note',
  holds: 'It goes on by itself',
  about:
    'Where a host does not tell when its player is over, or begins only when its own player is pressed, a visitor has to press before the next entry plays.',
  run: (checked) =>
    checked.order.continuous
      ? entriesThat(checked, (_, { notes }) => notes.includes('endUntold') || notes.includes('pressAgain'))
      : [],
});
