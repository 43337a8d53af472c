import type { Site } from '../../model/site.ts';
import { compareBack } from '../../pasteBack/compare.ts';
import { strip } from '../../pasteBack/strip.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const strippedBySite = defineCheck({
  id: 'strippedBySite',
  severity: 'warning',
  holds: 'Nothing in the code that the site takes out',
  about:
    'Page editors take elements, attributes and styles out of pasted code. What the editor of this site takes out is known from the site, or was learnt from what it made of code before.',
  run: ({ code, site }) => {
    if (!site || !code.framed) return NOTHING;
    const left = strip(code.text, { ...site.strips, scripts: false });
    const lost = left === code.text ? [] : compareBack(code.text, left);
    if (lost.length === 0) return NOTHING;
    const names = lost.map((loss) => ('name' in loss ? loss.name : 'tag' in loss ? loss.tag : 'iframe'));
    const form = formFor(site.strips);
    return [
      {
        place: null,
        actual: [...new Set(names)].join(', '),
        expected: site.name,
        ...(form !== code.form && { remedy: { by: 'form' as const, form } }),
      },
    ];
  },
});

/** The form of code that does without what is taken out. */
function formFor({ elements, attributes }: Site['strips']): string {
  if (elements.includes('iframe')) return 'link';
  return attributes.includes('style') || elements.includes('div') ? 'fixed' : 'padded';
}
