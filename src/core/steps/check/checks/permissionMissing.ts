import { AS_IT_STANDS } from '../../../model/code.ts';
import { featureName } from '../../../model/features.ts';
import { defineCheck, NOTHING } from '../rule.ts';

const FRAME = /<iframe/i;
const ALLOW = /\sallow\s*=\s*(["'])/i;
/** Says the same of full screen alone (HTML, section 4.8.5). */
const FULLSCREEN = /\sallowfullscreen(?=[\s=>])/i;

export const permissionMissing = defineCheck({
  id: 'permissionMissing',
  severity: 'warning',
  holds: 'The frame may do what is set for it',
  about:
    'What a player begins or opens by itself it must be allowed by the frame (Permissions Policy, section 9.5); a code without that leave looks set and does nothing.',
  run: ({ plan, code }) => {
    if (code.form !== AS_IT_STANDS || plan.media || plan.script) return NOTHING;
    const given = new Set(code.map.map(({ range }) => featureName(code.text.slice(...range))));
    if (FULLSCREEN.test(code.text)) given.add('fullscreen');
    const missing = plan.allow.filter(({ feature }) => feature === featureName(feature) && !given.has(feature));
    if (missing.length === 0) return NOTHING;
    const features = missing.map(({ feature }) => feature).join('; ');
    const attribute = ALLOW.exec(code.text)?.[0];
    const replace = attribute ?? FRAME.exec(code.text)?.[0] ?? '';
    const text = attribute ? `${attribute}${features}; ` : `${replace} allow="${features}"`;
    return [{ place: null, actual: features, expected: features, remedy: { by: 'text', replace, with: text } }];
  },
});
