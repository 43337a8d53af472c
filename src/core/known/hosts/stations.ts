import type { Item } from '../../model/item.ts';
import type { Moment } from '../../model/setting.ts';
import { makesSense, needsNoHost, settingOf, SETTINGS, type SettingId, type Settings } from '../settings/list.ts';
import type { HostBook } from './book.ts';
import { offerOf } from './offers.ts';

/** The settings of one moment, by whether they can be had; what is asked for is `offered` in any case. */
export type Station = Record<'offered' | 'not offered' | 'not applicable', SettingId[]>;

/** What is laid out of a station, and what is one press away. */
export interface Laid {
  shown: SettingId[];
  more: SettingId[];
}

/** How many are laid out where nothing is set, and nothing is reached for before others. */
const FEWEST = 2;

/** What is set or sent, and what people reach for most; of a station without either, the first few. */
export function foremostOf({ offered }: Station, set: ReadonlySet<string>): Laid {
  const stands = (id: SettingId): boolean => set.has(id) || settingOf(id).foremost === true;
  const first = offered.filter(stands);
  const shown = first.length > 0 ? first : offered.slice(0, FEWEST);
  return { shown, more: offered.filter((id) => !shown.includes(id)) };
}

const MOMENTS: readonly Moment[] = ['arrive', 'begin', 'during', 'end', 'frame', 'around'];

/** What stands at each moment of a visit to an item, in the order of the list of settings. */
export function stationsOf(item: Item, settings: Settings, book: HostBook): Record<Moment, Station> {
  const stations = Object.fromEntries(
    MOMENTS.map((moment): [Moment, Station] => [moment, { offered: [], 'not offered': [], 'not applicable': [] }]),
  ) as Record<Moment, Station>;
  for (const { id, moment } of SETTINGS) {
    const offer = offerOf(id, item, book);
    if (settings[id] !== undefined) stations[moment].offered.push(id);
    else if (belongs(id, item) && (offer !== 'offered' || !onCover(id) || settings.load === 'ask' || item.form === 'file'))
      stations[moment][offer].push(id);
  }
  return stations;
}

/** What is on the cover is of no use before there is one. */
const onCover = (id: SettingId): boolean => id === 'cover' || id === 'coverWords' || id === 'consent';

/** Without a host, only the frame can be set. */
const belongs = (id: SettingId, { host, kind, form }: Item): boolean =>
  makesSense(id, kind) && (needsNoHost(id) || host !== null || form === 'file');
