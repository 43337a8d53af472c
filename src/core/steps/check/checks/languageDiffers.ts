import { defineCheck, NOTHING, placeOf } from '../rule.ts';

const primary = (tag: string): string => tag.toLowerCase().split('-')[0]!;

export const languageDiffers = defineCheck({
  id: 'languageDiffers',
  severity: 'note',
  holds: 'The player speaks the language of the site',
  about: 'A player in another language than the page is read out wrongly by screen readers, and surprises visitors.',
  run: ({ settings, site, code }) => {
    const { language } = settings;
    if (!site || language === undefined || primary(String(language)) === primary(site.language)) return NOTHING;
    const change = { language: site.language };
    return [
      { place: placeOf(code, 'language'), actual: String(language), expected: site.language, remedy: { by: 'settings', change } },
    ];
  },
});
