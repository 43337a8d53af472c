import { isLoopback } from '../../../model/url.ts';
import { defineCheck, NOTHING, placeOf } from '../rule.ts';

export const insecureFrame = defineCheck({
  id: 'insecureFrame',
  severity: 'error',
  holds: 'No http inside https',
  about: 'A page that is loaded over https may not load a frame over http; browsers leave it blank (Mixed Content, section 5).',
  run: ({ item, code, site }) => {
    const frame = new URL(item.frame ?? item.canonical);
    if (!code.framed || frame.protocol !== 'http:' || isLoopback(frame) || site?.address.startsWith('http:')) return NOTHING;
    const origin = `//${frame.host}`;
    return [
      {
        place: placeOf(code, 'item'),
        actual: frame.host,
        expected: `https:${origin}`,
        remedy: { by: 'text', replace: `http:${origin}`, with: `https:${origin}` },
      },
    ];
  },
});
