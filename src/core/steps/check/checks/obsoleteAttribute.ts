import { defineCheck } from '../rule.ts';

const OBSOLETE: ReadonlySet<string> = new Set([
  'frameborder',
  'marginheight',
  'marginwidth',
  'scrolling',
  'align',
  'allowtransparency',
  'hspace',
  'vspace',
  'longdesc',
]);

export const obsoleteAttribute = defineCheck({
  id: 'obsoleteAttribute',
  severity: 'note',
  holds: 'No attribute is out of date',
  about: 'Attributes that HTML has given up (HTML, section 16.2) are kept as they were pasted; browsers may ignore them.',
  run: ({ item, code }) =>
    item.kept.attributes
      .filter(({ name }) => OBSOLETE.has(name.toLowerCase()))
      .map(({ name }) => {
        const at = code.text.indexOf(` ${name}=`);
        return { place: at < 0 ? null : ([at + 1, at + 1 + name.length] as const), actual: name, expected: '' };
      }),
});
