import { boxHeight } from '../../../model/box.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const smallerThanUseful = defineCheck({
  id: 'smallerThanUseful',
  severity: 'warning',
  holds: 'It is large enough to be used',
  about:
    'Below the smallest useful size of the host, players hide their buttons and maps and forms get scroll bars of their own.',
  run: ({ item, plan: { box }, code, site, book }) => {
    const least = item.host === null ? undefined : book.byId.get(item.host)?.targets.get(item.target ?? '')?.target.least;
    if (!least || !code.framed) return NOTHING;
    const phone = site ? site.breakpoints.phone - 2 * site.margin : Infinity;
    const width = box.mode === 'fixed' ? box.width : Math.min(box.width, phone);
    const height = (boxHeight(box) * (box.height.by === 'ratio' ? width : box.width)) / box.width;
    if (width < least.width)
      return [{ place: placeOf(code, box.widthFrom), actual: `${width} px wide`, expected: `${least.width} px` }];
    if (height >= least.height) return NOTHING;
    const change = { height: least.height, ratio: null };
    const actual = `${Math.round(height)} px high`;
    return [{ place: placeOf(code, box.heightFrom), actual, expected: `${least.height} px`, remedy: { by: 'settings', change } }];
  },
});
