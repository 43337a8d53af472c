import type { Site } from '../../../model/site.ts';
import { compareBack } from '../../../proof/published/compare.ts';
import type { Loss } from '../../../proof/published/loss.ts';
import { strip } from '../../../proof/published/strip.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const strippedBySite = defineCheck({
  id: 'strippedBySite',
  severity: 'warning',
  holds: 'Nothing in the code that the site takes out',
  about:
    'Page editors take elements, attributes and styles out of pasted code. What the editor of this site takes out is known from the site, or was learnt from what it made of code before.',
  run: ({ code, site, simpler }) => {
    if (!site || !code.framed) return NOTHING;
    const lost = lostOf(code.text, site);
    if (lost.length === 0) return NOTHING;
    const names = lost.map((loss) => ('name' in loss ? loss.name : 'tag' in loss ? loss.tag : 'iframe'));
    const kept = simpler().filter(({ form }) => site.keeps.length === 0 || site.keeps.includes(form));
    const form = kept.find((one) => lostOf(one.code(), site).length === 0)?.form;
    return [
      {
        place: null,
        actual: [...new Set(names)].join(', '),
        expected: site.name,
        ...(form && { remedy: { by: 'form' as const, form } }),
      },
    ];
  },
});

function lostOf(code: string, { strips }: Site): Loss[] {
  const left = strip(code, { ...strips, scripts: false });
  return left === code ? [] : compareBack(code, left);
}
