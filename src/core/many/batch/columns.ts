import { parseTime } from '../../model/time.ts';
import { SETTINGS, type SettingId } from '../../known/settings/list.ts';
import type { Table } from './table.ts';

/** What a column says: the link, something of the row, or a setting. */
export const ROLES = ['link', 'site', 'tags', 'description', 'out', 'pageOut', 'order'] as const;
export type Role = (typeof ROLES)[number] | SettingId;

/** By which names columns are known, besides the ids and labels of the settings. In small letters. */
const NAMES = new Map<string, Role>(
  Object.entries({
    link: 'link',
    url: 'link',
    address: 'link',
    code: 'link',
    embed: 'link',
    'share link': 'link',
    'embed code': 'link',
    site: 'site',
    client: 'site',
    page: 'site',
    tags: 'tags',
    tag: 'tags',
    keywords: 'tags',
    description: 'description',
    summary: 'description',
    order: 'order',
    'running order': 'order',
    series: 'order',
    out: 'out',
    'out on': 'out',
    'public from': 'out',
    published: 'pageOut',
    'publish on': 'pageOut',
    date: 'pageOut',
    name: 'title',
    episode: 'title',
    begin: 'start',
    from: 'start',
    stop: 'end',
    until: 'end',
    headline: 'title',
    begins: 'start',
    'starts at': 'start',
    // As tables of German editors name them.
    adresse: 'link',
    einbettungscode: 'link',
    titel: 'title',
    überschrift: 'title',
    folge: 'title',
    beginn: 'start',
    startzeit: 'start',
    ende: 'end',
    kunde: 'site',
    schlagwörter: 'tags',
    beschreibung: 'description',
    reihe: 'order',
    datum: 'pageOut',
    erscheint: 'pageOut',
  } satisfies Record<string, Role>),
);
for (const { id, label } of SETTINGS)
  for (const name of [id.toLowerCase(), label.toLowerCase()]) if (!NAMES.has(name)) NAMES.set(name, id);

/** As many rows tell what a column is. */
const LOOKED_AT = 50;

/** What each column says, by its name, or where it has none by what stands in it; null where nobody can tell. No role twice. */
export function recogniseColumns({ head, rows }: Table): (Role | null)[] {
  const width = head?.length ?? rows[0]?.length ?? 0;
  const taken = new Set<Role>();
  const take = (role: Role | null): Role | null => {
    if (role === null || taken.has(role)) return null;
    taken.add(role);
    return role;
  };
  const named = Array.from({ length: width }, (_, i) => take(NAMES.get(head?.[i]?.trim().toLowerCase() ?? '') ?? null));
  const some = rows.slice(0, LOOKED_AT);
  return named.map(
    (role, i) => role ?? take(head === null || !taken.has('link') ? byContent(some.map((row) => row[i] ?? '')) : null),
  );
}

/** What the cells of a column are, most of them. */
function byContent(cells: readonly string[]): Role | null {
  const filled = cells.filter((cell) => cell.trim() !== '');
  const most = (holds: (cell: string) => boolean): boolean =>
    filled.length > 0 && filled.filter(holds).length > filled.length / 2;
  if (most((cell) => /^\s*(https?:\/\/|<(iframe|script|div|blockquote|object|embed|video|audio)\b|\[\w)/i.test(cell)))
    return 'link';
  if (most((cell) => /^\d{4}-\d{2}-\d{2}$/.test(cell.trim()))) return 'pageOut';
  if (most((cell) => /[:ms]/.test(cell) && parseTime(cell.trim()) !== undefined)) return 'start';
  if (most((cell) => /\p{Letter}{3}/u.test(cell) && cell.length < 200)) return 'title';
  return null;
}
