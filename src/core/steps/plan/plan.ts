import type { Context } from '../../context.ts';
import { originOf } from '../../known/hosts/compile.ts';
import { broughtAlong } from '../../known/hosts/broughtAlong.ts';
import type { Item } from '../../model/item.ts';
import type { AddressPart, Origin, Plan, PlanEntry, Sent } from '../../model/plan.ts';
import { rankOf, settingOf, type SettingId, type Settings } from '../../known/settings/list.ts';
import { joinFeatures, splitFeatures, withheld } from '../../model/features.ts';
import { encodeParameter } from '../../model/url.ts';
import type { SettingValue } from '../../model/values.ts';
import type { Asked } from './asked.ts';
import { planBox } from './box.ts';
import { findConflict } from './conflicts.ts';
import { planLink } from './link.ts';
import { encodePack, fillPacks } from './packs.ts';
import { planScript } from './script.ts';
import { planSetting } from './setting.ts';
import { withSiteValues } from './siteValues.ts';

/** What planning looks at besides the item. */
export interface Planning extends Pick<Context, 'book' | 'site'> {
  /** What the form of code cannot do, whatever the host does. */
  lacks?: (id: SettingId, value: SettingValue) => boolean;
}

/**
 * Step 3, `item + settings + site → plan`: every setting asked for ends in exactly one state, with its
 * reason, and nothing is sent for settings that were not touched.
 */
export function plan(item: Item, asking: Settings, { book, site, lacks }: Planning): Plan {
  const settings = lacks ? without(asking, lacks) : asking;
  const card = item.host === null ? null : (book.byId.get(item.host) ?? null);
  const target = (item.target !== null && card?.targets.get(item.target)) || null;
  const asked: Asked = { item, settings: card ? withSiteValues(settings, card, { target, site }) : settings, card, target };
  const entries = inOrder(asked.settings).map((id) =>
    settings[id] === undefined ? { ...settle(id, asked), reason: { code: 'fromSite' } as const } : settle(id, asked),
  );
  if (settings !== asking)
    for (const [id, value] of Object.entries(asking))
      if (!(id in settings))
        entries.push({ setting: id as SettingId, asked: value, state: 'not offered', reason: { code: 'formLacks' }, sent: [] });
  const allow = planAllow(asked, entries);
  return {
    entries,
    base: planBase(asked, entries),
    parts: planParts(asked, entries),
    link: planLink(asked),
    pressed: planPressed(asked, entries),
    allow,
    fullscreen: allow.find(({ feature }) => feature === 'fullscreen')?.origin ?? null,
    script: planScript(asked, entries),
    media: item.form === 'file' ? (MEDIA[item.kind] ?? null) : null,
    box: planBox(asked, site),
    frame: settings,
  };
}

/** The settings that are asked for, in the order of the list. */
function inOrder(settings: Settings): readonly SettingId[] {
  const ids = (Object.keys(settings) as SettingId[]).filter((id) => settings[id] !== undefined);
  return ids.length > 1 ? ids.sort((a, b) => rankOf(a) - rankOf(b)) : ids;
}

/** The same where nothing is lacking. */
function without(asking: Settings, lacks: NonNullable<Planning['lacks']>): Settings {
  const able = Object.entries(asking).filter(([id, value]) => !lacks(id as SettingId, value));
  return able.length === Object.keys(asking).length ? asking : Object.fromEntries(able);
}

const MEDIA: { readonly [Kind in Item['kind']]?: Plan['media'] } = { video: 'video', audio: 'audio', picture: 'img' };

function settle(id: SettingId, asked: Asked): PlanEntry {
  const entry = planSetting(id, asked);
  const takesEffect = entry.state === 'sent' || entry.state === 'in part' || entry.state === 'done here';
  const conflict = takesEffect ? findConflict(id, asked) : undefined;
  return conflict ? { ...entry, state: 'conflict', ...conflict } : entry;
}

function planBase(asked: Asked, entries: readonly PlanEntry[]): Plan['base'] {
  const { item, card } = asked;
  const address = item.frame ?? item.canonical;
  const base = withPath(asked, entries) ?? [{ text: withoutReplaced(address, asked, entries), origin: 'item' as const }];
  for (const entry of entries)
    for (const sent of entry.sent)
      if (sent.in === 'origin' && card && item.frame !== null) {
        const origin = originOf(card.card, sent.value as never)!;
        const [first, ...others] = base;
        const rest = first!.text.slice(new URL(item.frame).origin.length);
        return [{ text: origin, origin: entry.setting }, { text: rest, origin: 'item' }, ...others];
      }
  return base;
}

/** The frame address with settings in its path, where there are any. */
function withPath(asked: Asked, entries: readonly PlanEntry[]): Plan['base'] | null {
  const { item, target } = asked;
  if (!target?.frame || !target.hasPath) return null;
  const values: Record<string, string> = {};
  let origin: Origin = 'item';
  for (const { setting, sent } of entries)
    for (const { in: place, name, value } of sent)
      if (place === 'path') {
        values[name] = value;
        origin = setting;
      }
  for (const { pack, text, origin: from } of fillPacks(asked, entries).values())
    if (pack.in === 'path' && text !== '') {
      values[pack.name] = text;
      origin = from;
    }
  if (Object.keys(values).length === 0) return null;
  const filled = target.frame({ ...item.captures, canonical: item.canonical, ...values });
  // Signs between the members of a pack may stand in a path as they are.
  const plainly = Object.values(values).reduce((all, value) => all.replace(encodeURIComponent(value), encodePack(value)), filled);
  const text = withoutReplaced(plainly, asked, entries);
  const plain = item.frame ?? '';
  let [from, to] = [0, 0];
  while (from < plain.length && plain[from] === text[from]) from++;
  while (to < plain.length - from && plain[plain.length - 1 - to] === text[text.length - 1 - to]) to++;
  const pieces: Plan['base'] = [
    { text: text.slice(0, from), origin: 'item' },
    { text: text.slice(from, text.length - to), origin },
    { text: text.slice(text.length - to), origin: 'item' },
  ];
  return pieces.filter((piece) => piece.text !== '');
}

/** What always stands in the address gives way to a setting of the same name. */
function withoutReplaced(address: string, { target }: Asked, entries: readonly PlanEntry[]): string {
  if (!target || target.fixed.size === 0) return address;
  const replaced = new Set(entries.flatMap(({ sent }) => sent.filter((s) => s.in === 'query').map(({ name }) => name)));
  if (![...target.fixed.keys()].some((name) => replaced.has(name))) return address;
  const [before, query = ''] = address.split('?');
  const left = query.split('&').filter((raw) => !replaced.has(raw.split('=')[0]!));
  return left.length > 0 ? `${before}?${left.join('&')}` : before!;
}

function planParts(asked: Asked, entries: readonly PlanEntry[]): AddressPart[] {
  const { item } = asked;
  const parts: AddressPart[] = [];
  for (const { setting, sent } of entries)
    for (const s of sent)
      if (s.in === 'query' || s.in === 'fragment')
        parts.push({ in: s.in, name: s.name, raw: rawOf(s, item.form === 'file'), origin: setting });
  if (asked.card?.hasPacks)
    for (const { pack, text, origin } of fillPacks(asked, entries).values())
      if ((pack.in === 'query' || pack.in === 'fragment') && text !== '') {
        const name = encodeURIComponent(pack.name);
        parts.push({ in: pack.in, name: pack.name, raw: (name && `${name}=`) + encodePack(text), origin });
      }
  if (item.form === 'file') parts.push(...planFragment(entries));
  for (const { in: place, name, raw, within } of item.unknown)
    if (within === undefined) parts.push({ in: place, name, raw, origin: 'item' });
  return parts;
}

function rawOf({ in: place, name, value, bare }: Sent, asItIs: boolean): string {
  if (place === 'fragment' && name === '') return encodePack(value);
  const written = encodeURIComponent(name);
  return bare ? written : `${written}=${asItIs ? value : encodeParameter(value)}`;
}

/** What a press on the cover leads to: the same, begun by the press, since nobody would press twice. */
function planPressed(asked: Asked, entries: readonly PlanEntry[]): AddressPart[] | null {
  if (asked.settings.load !== 'ask' || asked.item.frame === null) return null;
  const begins = planSetting('autoplay', { ...asked, settings: { ...asked.settings, autoplay: 'on' } });
  const others = entries.filter((e) => e.setting !== 'autoplay');
  const parts = planParts(asked, begins.sent.length > 0 ? [begins, ...others] : others);
  return parts.map((part) => (part.origin === 'autoplay' ? { ...part, origin: 'load' as const } : part));
}

/** Start and end of a media file (Media Fragments URI 1.0, section 4.2.1). */
function planFragment(entries: readonly PlanEntry[]): AddressPart[] {
  const asked = (id: SettingId): string => String(entries.find((e) => e.setting === id && e.state === 'done here')?.asked ?? '');
  const [start, end] = [asked('start'), asked('end')];
  if (!start && !end) return [];
  const pieces = [{ text: 't=' }, { text: start, origin: 'start' as const }, { text: end && `,${end}`, origin: 'end' as const }];
  const raw = pieces.map(({ text }) => text).join('');
  return [{ in: 'fragment', name: 't', raw, origin: start ? 'start' : 'end', pieces }];
}

/** What the player needs, what a setting brings along, what is given or withheld, and what else is asked for: each feature once. */
function planAllow(asked: Asked, entries: readonly PlanEntry[]): Plan['allow'] {
  const own = asked.target?.allow ?? NO_FEATURES;
  const { permissions } = asked.settings;
  if (entries.length === 0 && permissions === undefined) return own;
  const before: Feature[] = [];
  const put = (feature: string | undefined, origin: Origin): void => {
    if (feature !== undefined) before.push({ feature, origin });
  };
  const uses = asked.card?.card.settings;
  for (const { setting, sent } of entries)
    if (sent.length > 0 && asked.settings[setting] === 'on') put(broughtAlong(uses?.[setting]), setting);
  if (asked.settings.load === 'ask') put(broughtAlong(uses?.autoplay), 'load');
  for (const { setting, asked: value, state, reason } of entries) {
    const { feature } = settingOf(setting);
    if (feature && state === 'done here' && reason.code !== 'alreadySo')
      put(value === 'on' ? feature : withheld(feature), setting);
  }
  const after = splitFeatures(String(permissions ?? '')).map((feature): Feature => ({ feature, origin: 'permissions' }));
  return before.length + after.length === 0 ? own : joinFeatures([...before, ...own, ...after]);
}

type Feature = Plan['allow'][number];
const NO_FEATURES: Plan['allow'] = [];
