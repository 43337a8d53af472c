import { USUAL_FORM } from '../../steps/write/forms/list.ts';
import { canBeStyle } from '../../known/styles/style.ts';
import type { Kind } from '../../model/kind.ts';
import type { SettingId } from '../../known/settings/list.ts';
import { emptyWork, type Work } from './work.ts';

/** A work that waits for its link, and is like another in everything that does not belong to that one's item. */
export function nextLike(work: Work, kind: Kind, id: string): Work {
  const changes = Object.fromEntries(Object.entries(work.changes).filter(([setting]) => canBeStyle(setting as SettingId, kind)));
  return { ...emptyWork(work.site, id), changes, style: work.style, form: work.code === null ? work.form : USUAL_FORM };
}
