import type { MadeRow } from '../core/many/batch/row.ts';
import type { Role } from '../core/many/batch/columns.ts';
import { isSettingId, settingOf } from '../core/known/settings/list.ts';
import { sayFinding, sayRefusal } from './en.ts';

export const ROW_STATES = {
  person: 'needs a decision',
  look: 'worth a look',
  done: 'done',
} as const;

/** How many rows there are of a state, or of all. */
export function countRows(of: MadeRow['state'] | 'all', count: number): string {
  const one = count === 1;
  return `${count} ${{ all: one ? 'row' : 'rows', person: one ? 'needs a decision' : 'need a decision', look: 'to look at', done: 'done' }[of]}`;
}

const ROLE_WORDS: Readonly<Record<string, string>> = {
  link: 'Link or code',
  site: 'Site',
  tags: 'Tags',
  description: 'Description',
  order: 'Running order',
  out: 'Public from',
  pageOut: 'Page goes out',
};

/** What a column is taken for. */
export const sayRole = (role: Role): string => (isSettingId(role) ? settingOf(role).label : ROLE_WORDS[role]!);

const WRONG: Readonly<Record<string, string>> = {
  site: 'there is no site of that name',
  out: 'a day is written 2027-01-11',
  pageOut: 'a day is written 2027-01-11',
};

/** Everything that somebody should know of a row, what stops it first. */
export function sayRow({ refusal, wrong, findings }: MadeRow): string[] {
  return [
    ...(refusal ? [sayRefusal(refusal)] : []),
    ...wrong.map(
      ({ role, text }) =>
        `“${text.slice(0, 60)}” cannot be used for ${sayRole(role).toLowerCase()}${WRONG[role] ? `: ${WRONG[role]}` : ''}.`,
    ),
    ...findings.filter(({ severity }) => severity !== 'note').map(sayFinding),
  ];
}

/** What came of the last thing that was done with the whole batch. */
export function sayBatch(
  said: { code: 'shelved'; count: number; orders: number } | { code: 'full' | 'store' | 'broken' },
): string {
  if (said.code === 'shelved') {
    const orders =
      said.orders === 1
        ? ', and 1 running order has what its name says'
        : `, and ${said.orders} running orders have what their names say`;
    return `${said.count} ${said.count === 1 ? 'embed is' : 'embeds are'} on the Shelf${said.orders === 0 ? '' : orders}.`;
  }
  if (said.code === 'broken') return 'The batch stopped by a fault of Refenestra. Its rows are kept: make the codes once more.';
  return said.code === 'full'
    ? 'The browser has no room for them. Nothing was put on the Shelf; save them as files instead.'
    : 'The browser’s store did not take them. Nothing was put on the Shelf; reload the page and try again.';
}
