import type { Site } from '../../model/site.ts';
import type { SettingId } from '../../known/settings/list.ts';
import { isCodeForm, USUAL_FORM } from '../../steps/write/forms/list.ts';
import type { Work, WorkForm } from './work.ts';

/** Settings that come of the place, not of the item: another site has its own. */
const OF_THE_SITE: ReadonlySet<SettingId> = new Set([
  'accent',
  'theme',
  'language',
  'domain',
  'widthMode',
  'width',
  'align',
  'spaceAbove',
  'spaceBelow',
  'border',
  'radius',
  'background',
  'referrer',
  'className',
]);

/**
 * The work for another site: everything that belongs to the site changes (form of code, house style, colours,
 * width and space), everything that belongs to the item stays.
 */
export function aimedAt(work: Work, from: Site | null, to: Site): Work {
  const changes = Object.fromEntries(Object.entries(work.changes).filter(([id]) => !OF_THE_SITE.has(id as SettingId)));
  return { ...work, site: to.id, form: formAt(work.form, from, to), changes, style: null };
}

/** The form that the other site takes first, unless another was chosen that survives there too. */
function formAt(form: WorkForm, from: Site | null, to: Site): WorkForm {
  const usual = isCodeForm(to.form) ? to.form : USUAL_FORM;
  if (form === from?.form) return usual;
  return isCodeForm(form) && to.keeps.length > 0 && !to.keeps.includes(form) ? usual : form;
}
