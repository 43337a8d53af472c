import type { Item } from '../../model/item.ts';
import type { SettingValue } from '../../model/values.ts';
import { type SettingId } from '../../known/settings/list.ts';
import type { CodeForm } from './form.ts';

/** What a form of code cannot do, which is then planned as not offered. */
export type Lacks = (id: SettingId, value: SettingValue) => boolean;

/** What a form without a cover cannot do. */
export const coverless: Lacks = (id, value) =>
  id === 'load' ? value === 'ask' : id === 'cover' || id === 'coverWords' || id === 'consent';

const BY_COVER: Record<'page' | 'picture' | 'none', Lacks> = {
  page: () => false,
  picture: (id, value) => id !== 'cover' && coverless(id, value),
  none: coverless,
};

/** A file of one's own has its cover in its own element, whatever the form. */
export const lacksOf = (form: Pick<CodeForm, 'cover'>, { form: from }: Item): Lacks =>
  BY_COVER[from === 'file' ? 'page' : (form.cover ?? 'none')];
