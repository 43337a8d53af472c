import { defineOrderCheck, entriesThat } from './rule.ts';

export const framesBarred = defineOrderCheck({
  id: 'framesBarred',
  severity: 'error',
  holds: 'The site lets its players in',
  about:
    'A page within the code lives under the Content Security Policy of the site (HTML, section 7.9): where it names the frames that it lets in, the hosts must be among them.',
  run: (checked) => {
    const { frames } = checked.site;
    if (frames === null) return [];
    return entriesThat(checked, (_, { plays }) => plays.by === 'frame' && !frames.includes(new URL(plays.src).origin));
  },
});
