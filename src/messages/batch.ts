import type { MadeRow } from '../core/many/batch/row.ts';
import type { Role } from '../core/many/batch/columns.ts';
import { isSettingId } from '../core/known/settings/list.ts';
import { sayFinding } from './findings.ts';
import { sayRefusal } from './reading.ts';
import { t, within } from './t.ts';
import { labelOf } from './labels.ts';

export const ROW_STATES = {
  person: t('needs a decision'),
  look: t('worth a look'),
  done: t('done'),
} as const;

/** How many rows there are of a state, or of all. */
export const countRows = (of: MadeRow['state'] | 'all', count: number): string => ROWS[of](count);

const ROWS: Readonly<Record<MadeRow['state'] | 'all', (count: number) => string>> = {
  all: (count) => t('{count, plural, one {# row} other {# rows}}', { count }),
  person: (count) => t('{count, plural, one {# needs a decision} other {# need a decision}}', { count }),
  look: (count) => t('{count} to look at', { count }),
  done: (count) => t('{count} done', { count }),
};

const ROLE_WORDS: Readonly<Record<string, string>> = {
  link: t('Link or code'),
  site: t('Site'),
  tags: t('Tags'),
  description: t('Description'),
  order: t('Running order'),
  out: t('Public from'),
  pageOut: t('Page goes out'),
};

/** What a column is taken for. */
export const sayRole = (role: Role): string => (isSettingId(role) ? labelOf(role) : ROLE_WORDS[role]!);

const WRONG: Readonly<Record<string, string>> = {
  site: t('there is no site of that name'),
  out: t('a day is written 2027-01-11'),
  pageOut: t('a day is written 2027-01-11'),
};

/** Everything that somebody should know of a row, what stops it first. */
export function sayRow({ refusal, wrong, findings }: MadeRow): string[] {
  return [
    ...(refusal ? [sayRefusal(refusal)] : []),
    ...wrong.map(({ role, text }) =>
      WRONG[role]
        ? t('“{text}” cannot be used for {role}: {why}.', {
            text: text.slice(0, 60),
            role: within(sayRole(role)),
            why: WRONG[role],
          })
        : t('“{text}” cannot be used for {role}.', { text: text.slice(0, 60), role: within(sayRole(role)) }),
    ),
    ...findings.filter(({ severity }) => severity !== 'note').map(sayFinding),
  ];
}

/** What came of the last thing that was done with the whole batch. */
export function sayBatch(
  said: { code: 'shelved'; count: number; orders: number } | { code: 'full' | 'store' | 'broken' },
): string {
  if (said.code === 'shelved') {
    const shelved = t('{count, plural, one {# embed is on the Shelf} other {# embeds are on the Shelf}}', { count: said.count });
    if (said.orders === 0) return `${shelved}.`;
    return t(
      '{shelved}, and {orders, plural, one {# running order has what its name says.} other {# running orders have what their names say.}}',
      { shelved, orders: said.orders },
    );
  }
  if (said.code === 'broken')
    return t('The batch stopped by a fault of Refenestra. Its rows are kept: make the codes once more.');
  return said.code === 'full'
    ? t('The browser has no room for them. Nothing was put on the Shelf; save them as files instead.')
    : t('The browser’s store did not take them. Nothing was put on the Shelf; reload the page and try again.');
}
