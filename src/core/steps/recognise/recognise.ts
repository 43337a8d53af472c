import { askedOf, isStrange, type HostBook } from '../../known/hosts/book.ts';
import type { Candidate, Refusal } from '../../model/candidate.ts';
import type { Item } from '../../model/item.ts';
import { own } from '../../model/own.ts';
import type { Running } from '../../model/running.ts';
import type { SettingValue } from '../../model/values.ts';
import type { SettingId, Settings } from '../../known/settings/list.ts';
import { readFrameMarkup, type Markup } from './frameMarkup.ts';
import { readFeatures } from './features.ts';
import { fileItem, refusedFile } from './file.ts';
import { makeItem, unknownItem } from './makeItem.ts';
import { matchLink, type LinkMatch } from './match.ts';
import { recogniseCode } from './script.ts';
import { splitAddress, type Address } from './address.ts';
import { readParameters, readPlace } from './parameters.ts';

/** An item, or why there is none. */
export type Recognition = { item: Item; refusal?: undefined } | { item?: undefined; refusal: Refusal };

/** Step 2, `candidate + host book → item`. Finds the card by host name in constant time. */
export function recognise(candidate: Candidate, book: HostBook): Recognition {
  if (candidate.refusal) return { refusal: candidate.refusal };
  const found = recogniseKind(candidate, book);
  const running = found.item && candidate.running && strangeIn(candidate.running, book);
  return running && running.length > 0 ? { item: { ...found.item, running } } : found;
}

/** What runs that no card knows; the candidates of a text share one list, so it is sorted out once. */
function strangeIn(running: readonly Running[], book: HostBook): readonly Running[] {
  const sorted = STRANGE.get(book) ?? new WeakMap<readonly Running[], readonly Running[]>();
  STRANGE.set(book, sorted);
  const strange = sorted.get(running) ?? running.filter(isStrange(book));
  sorted.set(running, strange);
  return strange;
}
const STRANGE = new WeakMap<HostBook, WeakMap<readonly Running[], readonly Running[]>>();

function recogniseKind(candidate: Candidate, book: HostBook): Recognition {
  if (candidate.source === 'script' || candidate.source === 'shortcode') return recogniseCode(candidate, book);
  if (candidate.address === null) return { refusal: { code: 'nothingFound' } };
  const address = splitAddress(candidate.address);
  const match = matchLink(address, book);
  if (match && 'refusal' in match) return playsByItself(candidate, address) ?? match;
  const unplayable = match ? null : refusedFile(address);
  if (unplayable) return { refusal: unplayable };
  const item = match ? knownItem(match, address) : (fileItem(candidate, address) ?? unknownPage(candidate, address, book));
  const marked = candidate.attributes.length > 0 || candidate.wrapper !== undefined || candidate.source === 'media';
  return { item: marked ? withMarkup(item, candidate, book) : item };
}

/** A sound or a film is one wherever it lies, also at a host that has other links. */
function playsByItself(candidate: Candidate, address: Address): Recognition | null {
  const item = fileItem(candidate, address);
  return item && (item.kind === 'audio' || item.kind === 'video') ? { item } : null;
}

function unknownPage({ source }: Candidate, address: Address, book: HostBook): Item {
  const item = unknownItem(address);
  if (source !== 'link' && source !== 'markdown') return item;
  const asks = askedOf(book, address.host);
  return { ...item, plain: true, ...(asks !== undefined && { asks }) };
}

function knownItem(match: LinkMatch, address: Address): Item {
  const { form, captures, byOrigin, inPath, rivals } = match;
  const { card, target } = form;
  const read = readParameters(form, captures, address);
  const inner = match.inner;
  const values = inner ? inner.captures : captures;
  const shape = inner ? inner.form.target : target;
  const settings = form.readsPath ? { ...inPath.settings, ...read.settings } : read.settings;
  const item = makeItem(card, shape, values);
  item.form = form.form.id;
  item.settings = byOrigin ? { ...settings, [byOrigin.setting]: byOrigin.value } : settings;
  item.unknown = inPath.unknown.length > 0 ? [...inPath.unknown, ...read.unknown] : read.unknown;
  item.dropped = read.dropped;
  if (rivals) item.rivals = rivals;
  return item;
}

/** What lays a frame over its wrapper; without the wrapper it would lie over the page. */
const OVERLAID = /^(?:position|top|left|right|bottom|inset|width|height)\s*:/i;
const WRAPPED: ReadonlySet<string> = new Set(['width', 'widthMode', 'height']);

function withMarkup(item: Item, candidate: Candidate, book: HostBook): Item {
  const markup = readFrameMarkup(candidate.attributes, item.form === 'file' && item.kind);
  const { settings, kept } = readFeatures(withHostAttributes(markup, item, book), item, { candidate, book });
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
  return { ...item, settings: withoutSteppedHeight({ ...item.settings, ...settings }, item, book), kept };
}

/** Attributes of the frame that the host reads settings from. */
function withHostAttributes(markup: Markup, { host, target }: Item, book: HostBook): Markup {
  const uses = book.byId.get(host ?? '')?.targets.get(target ?? '')?.frameAttributes ?? [];
  if (uses.length === 0) return markup;
  const settings: { [Id in SettingId]?: SettingValue } = { ...markup.settings };
  const attributes = markup.kept.attributes.filter(({ name, value }) => {
    const read = readPlace(
      uses.filter((use) => use.name === name),
      value ?? '',
    );
    if (read) settings[read[0]] = read[1];
    return !read;
  });
  return { settings, kept: { ...markup.kept, attributes } };
}

/** A height that comes with another setting is that setting's, and goes with it. */
function withoutSteppedHeight(settings: Settings, { host, target }: Item, book: HostBook): Settings {
  const fit = host === null || target === null ? undefined : book.byId.get(host)?.targets.get(target)?.target.fit;
  if (fit?.by !== 'steps' || settings.height === undefined) return settings;
  if (own(fit.heights, String(settings[fit.setting] ?? fit.usual)) !== settings.height) return settings;
  return Object.fromEntries(Object.entries(settings).filter(([id]) => id !== 'height'));
}
