import { answered } from '../../../proof/reach/reached.ts';
import { defineCheck, NOTHING } from '../rule.ts';

export const sharePageFramed = defineCheck({
  id: 'sharePageFramed',
  severity: 'warning',
  holds: 'What is framed is made for frames',
  about:
    'Of a host that no card knows, the link itself becomes the frame. Most pages refuse to be framed, or show all of themselves. The host’s own embed code leads to its player.',
  run: ({ item, code, reached }) =>
    item.plain && code.framed && !answered(reached)
      ? [
          {
            place: null,
            actual: new URL(item.canonical).host,
            expected: '',
            remedy: { by: 'form', form: 'link' },
          },
        ]
      : NOTHING,
});
