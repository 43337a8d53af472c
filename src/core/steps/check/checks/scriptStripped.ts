import { defineCheck, NOTHING } from '../rule.ts';

export const scriptStripped = defineCheck({
  id: 'scriptStripped',
  severity: 'error',
  holds: 'No script that the site takes out',
  about: 'Where the editor of a site takes scripts out, code that needs one shows its placeholder, and nothing more.',
  run: ({ code, site }) => {
    const at = code.framed && site?.strips.scripts ? code.text.search(/<script(?![^>]*ld\+json)/i) : -1;
    return at < 0 ? NOTHING : [{ place: [at, at + '<script'.length], actual: site!.name, expected: '' }];
  },
});
