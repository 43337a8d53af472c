import type { HostBook } from '../hosts/book.ts';
import type { Candidate, Refusal } from '../model/candidate.ts';
import type { Item } from '../model/item.ts';
import type { SettingId, Settings } from '../settings/list.ts';
import { readFrameMarkup } from './frameMarkup.ts';
import { fileItem } from './file.ts';
import { makeItem, unknownItem } from './makeItem.ts';
import { matchLink, type LinkMatch } from './match.ts';
import { recogniseCode } from './script.ts';
import { splitAddress, type Address } from './address.ts';
import { readParameters } from './parameters.ts';

/** An item, or why there is none. */
export type Recognition = { item: Item; refusal?: undefined } | { item?: undefined; refusal: Refusal };

/** Step 2, `candidate + host book → item`. Finds the card by host name in constant time. */
export function recognise(candidate: Candidate, book: HostBook): Recognition {
  if (candidate.refusal) return { refusal: candidate.refusal };
  if (candidate.source === 'script' || candidate.source === 'shortcode') return recogniseCode(candidate, book);
  if (candidate.address === null) return { refusal: { code: 'nothingFound' } };
  const address = splitAddress(candidate.address);
  const match = matchLink(address, book);
  if (match && 'refusal' in match) return match;
  const item = match ? knownItem(match, address) : (fileItem(candidate, address) ?? unknownItem(address));
  return { item: candidate.attributes.length > 0 || candidate.wrapper ? withMarkup(item, candidate, book) : item };
}

function knownItem(match: LinkMatch, address: Address): Item {
  const { form, captures, byOrigin, pathSettings, rivals } = match;
  const { card, target } = form;
  const read = readParameters(form, captures, address);
  const inner = match.inner;
  const values = inner ? inner.captures : captures;
  const shape = inner ? inner.form.target : target;
  const settings = form.pathReads.size > 0 ? { ...pathSettings, ...read.settings } : read.settings;
  const item = makeItem(card, shape, values);
  item.form = form.form.id;
  item.settings = byOrigin ? { ...settings, [byOrigin.setting]: byOrigin.value } : settings;
  item.unknown = read.unknown;
  item.dropped = read.dropped;
  if (rivals) item.rivals = rivals;
  return item;
}

/** What lays a frame over its wrapper; without the wrapper it would lie over the page. */
const OVERLAID = /^(?:position|top|left|right|bottom|inset|width|height)\s*:/i;
const WRAPPED: ReadonlySet<string> = new Set(['width', 'widthMode', 'height']);

function withMarkup(item: Item, candidate: Candidate, book: HostBook): Item {
  const { settings, kept: all } = readFrameMarkup(candidate.attributes, item.form === 'file');
  const asked = { ...item, settings: { ...item.settings, ...settings } };
  const hostBehind = settings.load === 'ask' ? new URL(candidate.address!).origin : null;
  const kept =
    all.allow.length > 0
      ? { ...all, allow: all.allow.map((f) => plainFeature(f, hostBehind)).filter((f) => !comesAlong(f, asked, book)) }
      : all;
  if (candidate.wrapper) {
    const own = Object.fromEntries(Object.entries(settings).filter(([id]) => !WRAPPED.has(id)));
    const left = {
      ...kept,
      style: kept.style.filter((d) => !OVERLAID.test(d)),
      attributes: kept.attributes.filter((a) => a.value !== '100%'),
    };
    const { ratio, outer } = candidate.wrapper;
    const around = outer === undefined ? {} : readFrameMarkup([{ name: 'style', value: outer }]).settings;
    return { ...item, settings: { ...item.settings, widthMode: 'fill', ratio, ...own, ...around }, kept: left };
  }
  return { ...item, settings: { ...item.settings, ...settings }, kept };
}

/** Behind a cover each feature names the origin of the host, which goes without saying elsewhere. */
function plainFeature(feature: string, hostBehind: string | null): string {
  return hostBehind !== null && feature.endsWith(` ${hostBehind}`) ? feature.slice(0, -hostBehind.length - 1) : feature;
}

/** Whether the card asks for the feature along with a setting that is on: it comes and goes with that setting. */
function comesAlong(feature: string, { host, settings }: Item, book: HostBook): boolean {
  const uses = host === null ? undefined : book.byId.get(host)?.card.settings;
  const on: Settings = settings.load === 'ask' ? { ...settings, autoplay: 'on' } : settings;
  return Object.entries(on).some(([id, value]) => {
    const use = uses?.[id as SettingId];
    return value === 'on' && use !== undefined && 'allow' in use && use.allow === feature;
  });
}
