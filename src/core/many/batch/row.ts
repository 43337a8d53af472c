import { z } from 'zod';
import type { Refusal } from '../../model/candidate.ts';
import type { Finding } from '../../steps/check/finding.ts';
import { aboutOf, type Facts } from '../../model/item.ts';
import type { SettingsFix } from '../../model/plan.ts';
import type { Site } from '../../model/site.ts';
import { parseValue, type SettingValue } from '../../model/values.ts';
import { bringIn, type Recognised } from '../../pipeline.ts';
import { playerOf } from '../../teach/pagePlayer.ts';
import type { HostBook } from '../../known/hosts/book.ts';
import { isSettingId, settingOf, type Settings } from '../../known/settings/list.ts';
import { chosenOf, embedOf } from '../../keeping/shelf/embedOf.ts';
import { recordOf, type Made } from '../../keeping/shelf/record.ts';
import { MOST, tagsIn } from '../../keeping/shelf/saved.ts';
import { datesAhead, emptyWork, type Work, type WorkForm } from '../../keeping/shelf/work.ts';
import { styleFor, type HouseStyle } from '../../known/styles/style.ts';
import { isCodeForm, USUAL_FORM } from '../../steps/write/forms/list.ts';
import type { Role } from './columns.ts';

/** What a batch is made with. `today` is `2026-11-23`. */
export interface BatchSettings {
  book: HostBook;
  sites: readonly Site[];
  styles: Readonly<Record<string, HouseStyle>>;
  /** Id of the site for rows that name none. */
  site: string;
  /** For all rows; what a row says itself goes before it. */
  forAll: SettingsFix;
  today: string;
}

/** Why a cell could not be used. */
export interface WrongCell {
  role: Role;
  text: string;
}

/** One row, made. `person`: somebody must look before it can be used; `look`: somebody should. */
export interface MadeRow {
  /** The link that its host, or its page where no card knows the host, can be asked about; null where there is nothing to ask. */
  asks: string | null;
  state: 'done' | 'look' | 'person';
  made: Made;
  findings: Finding[];
  /** Why nothing is recognised. */
  refusal: Refusal | null;
  wrong: WrongCell[];
  tags: string[];
  /** Name of the running order that it goes into; empty where it goes into none. */
  order: string;
  /** Where the item begins and ends in it, in seconds. */
  clip: { from: number | undefined; until: number | undefined };
}

/** What is shown and taken away of a row: its texts, and nothing that can be made again from them. */
export interface RowOut {
  state: MadeRow['state'];
  title: string;
  host: string;
  kind: string;
  form: WorkForm;
  code: string;
  /** Everything that somebody should know of it, one sentence each. */
  told: readonly string[];
}

/** A row as it is shown and saved: texts only. */
export const rowOut = ({ state, made: { title, host, kind, code, work } }: MadeRow, told: readonly string[]): RowOut => ({
  state,
  title,
  host,
  kind,
  form: work.form,
  code,
  told,
});

/** A day that there is, such as `2027-01-11`. */
const isDay = (text: string): boolean => z.iso.date().safeParse(text).success;

/** What the cells of a row say, by the roles of their columns. */
export interface Cells {
  text: string;
  /** What the text holds. */
  found: readonly Recognised[];
  changes: SettingsFix;
  site: string | null;
  tags: string[];
  description: string;
  order: string;
  out: string | null;
  pageOut: string | null;
  wrong: WrongCell[];
}

/** What the cells of a row say, by the roles of their columns; what cannot be read is told, and not used. */
export function readCells(
  cells: readonly string[],
  roles: readonly (Role | null)[],
  { book, sites }: Pick<BatchSettings, 'book' | 'sites'>,
): Cells {
  const read: Omit<Cells, 'found'> = {
    text: '',
    changes: {},
    site: null,
    tags: [],
    description: '',
    order: '',
    out: null,
    pageOut: null,
    wrong: [],
  };
  roles.forEach((role, i) => {
    const cell = (cells[i] ?? '').trim();
    if (role === null || cell === '') return;
    if (role === 'link') read.text = cell;
    else if (role === 'tags') read.tags = tagsIn(cell);
    else if (role === 'order') read.order = cell.slice(0, 300);
    else if (role === 'description') read.description = cell.slice(0, MOST.description);
    else if (!takeChecked(read, { role, cell, sites })) read.wrong.push({ role, text: cell });
  });
  return { ...read, found: bringIn(read.text, book) };
}

/** Takes a cell that can be wrong; false where it is. */
function takeChecked(
  read: Omit<Cells, 'found'>,
  { role, cell, sites }: { role: Role; cell: string; sites: readonly Site[] },
): boolean {
  if (role === 'out' || role === 'pageOut') {
    if (isDay(cell)) read[role] = cell;
    return isDay(cell);
  }
  if (role === 'site') {
    const wanted = cell.toLowerCase();
    read.site = sites.find(({ id, name }) => id === wanted || name.toLowerCase() === wanted)?.id ?? null;
    return read.site !== null;
  }
  if (!isSettingId(role)) return false;
  const value = parseValue(settingOf(role).value, cell);
  if (value !== undefined) read.changes = { ...read.changes, [role]: value };
  return value !== undefined;
}

/** The work that a row asks for: its own words, over those for all, over the house style of its site. */
export function workOf(id: string, cells: Cells, { sites, styles, site, forAll }: BatchSettings): Work {
  const place = sites.find((one) => one.id === (cells.site ?? site)) ?? sites[0];
  return {
    ...emptyWork(place?.id ?? '', id),
    text: cells.text,
    changes: { ...forAll, ...cells.changes },
    form: place && isCodeForm(place.form) ? place.form : USUAL_FORM,
    style: place ? styleOf(cells, styles[place.id]) : {},
    out: cells.out,
    pageOut: cells.pageOut,
  };
}

/** What the house style says of the kind of item; nothing is recognised where there is none. */
function styleOf({ found }: Cells, style: HouseStyle | undefined): Settings {
  const item = style && chosenOf(found).item;
  return item ? styleFor(style, item.kind) : {};
}

/** What was found out by asking: facts, and the player that the page of an unknown host names, as a code or an address. */
export interface Answer {
  facts: Facts;
  player?: string | undefined;
  /** Whether it was a list that somebody brought in which said where to ask. */
  listed?: boolean | undefined;
}

/** The work with the player that its page names, where that is one to be expected there. */
export function withPlayer(work: Work, { player, listed = false }: Answer, { book }: Pick<BatchSettings, 'book'>): Work {
  const page = player === undefined ? undefined : bringIn(work.text, book).find(({ item }) => item)?.item;
  const found = page && playerOf(player!, page, book);
  return found && (listed || found.elsewhere === null) ? { ...work, text: player! } : work;
}

/** Whether hosts, or pages, of the row may be asked at all, by the id of its host. */
export const mayAsk = (host: string, { book }: Pick<BatchSettings, 'book'>): boolean =>
  host === '' || book.byId.get(host)?.card.oembed !== undefined;

/** The row of a work: made, checked, and sorted by whether it needs somebody. */
export function makeRow(
  work: Work,
  cells: Pick<Cells, 'text' | 'found' | 'wrong' | 'tags' | 'description' | 'order'>,
  known: Facts,
  settings: BatchSettings,
): MadeRow {
  const { book, sites, today } = settings;
  const site = sites.find(({ id }) => id === work.site) ?? null;
  const facts = cells.description === '' ? known : { ...known, description: cells.description };
  // A row may have come back from the Bench, or been led to its player, with a text of another kind.
  const found = work.text === cells.text ? cells.found : bringIn(work.text, book);
  const embed = embedOf(work, { book, site, facts: { ...facts, ...datesAhead(work, today) } }, found);
  const findings = embed?.findings ?? [];
  const item = embed?.item;
  return {
    asks: item && (item.host === null ? item.plain : mayAsk(item.host, settings)) ? aboutOf(item) : null,
    state: stateOf(findings, embed === null || cells.wrong.length > 0),
    made: recordOf(work, { item: embed?.item ?? null, embed, facts }),
    findings,
    refusal: embed ? null : (chosenOf(found, work.choice).refusal ?? null),
    wrong: cells.wrong,
    tags: cells.tags,
    order: cells.order,
    clip: { from: secondOf(embed?.settings.start), until: secondOf(embed?.settings.end) },
  };
}

const secondOf = (value: SettingValue | undefined): number | undefined => (typeof value === 'number' ? value : undefined);

function stateOf(findings: readonly Finding[], stuck: boolean): MadeRow['state'] {
  if (stuck || findings.some(({ severity }) => severity === 'error')) return 'person';
  return findings.some(({ severity }) => severity === 'warning') ? 'look' : 'done';
}

/** Settings for some rows, laid over what they say themselves. */
export const withChanges = (work: Work, changes: SettingsFix): Work => ({ ...work, changes: { ...work.changes, ...changes } });
