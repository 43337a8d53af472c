import { defineOrderCheck, entriesThat } from './rule.ts';

export const standsTwice = defineOrderCheck({
  id: 'standsTwice',
  severity: 'note',
  holds: 'No entry stands twice',
  about: 'The same item with the same clip plays twice.',
  run: (checked) => {
    const seen = new Set<string>();
    return entriesThat(
      checked,
      ({ address, from = 0, until = -1 }) => {
        const key = `${from} ${until} ${address}`;
        return seen.has(key) || !seen.add(key);
      },
      { remove: true },
    );
  },
});
