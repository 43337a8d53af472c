import { isLoopback, parseUrl } from '../../model/url.ts';
import { defineOrderCheck, entriesThat } from './rule.ts';

export const insecure = defineOrderCheck({
  id: 'insecure',
  severity: 'error',
  holds: 'No http inside https',
  about:
    'A page that is loaded over https may not play what comes over http; browsers leave it blank (Mixed Content, section 5).',
  run: (checked) =>
    checked.site.address.startsWith('http:')
      ? []
      : entriesThat(checked, (_, { plays }) => {
          const url = plays.by === 'link' ? null : parseUrl(plays.src);
          return url?.protocol === 'http:' && !isLoopback(url);
        }),
});
