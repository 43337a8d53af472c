import { defineCheck } from '../rule.ts';

export const runsOwnCode = defineCheck({
  id: 'runsOwnCode',
  severity: 'error',
  holds: 'The code runs nothing of its own',
  about: 'Attributes such as onload run code in the page of the site; none is needed for an embed, and editors strip them.',
  run: ({ item, code }) =>
    item.kept.attributes
      .filter(({ name }) => /^on[a-z]/i.test(name))
      .map(({ name, value }) => {
        const at = code.text.indexOf(` ${name}`);
        return { place: at < 0 ? null : ([at + 1, at + 1 + name.length] as const), actual: name, expected: value ?? '' };
      }),
});
