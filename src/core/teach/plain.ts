import type { HostBook } from '../known/hosts/book.ts';
import { matchLink } from '../steps/recognise/match.ts';
import { splitAddress } from '../steps/recognise/address.ts';
import { recognise } from '../steps/recognise/recognise.ts';
import type { Item } from '../model/item.ts';
import { read } from '../steps/read/read.ts';
import { seen, type Observation, type Seen } from './observe.ts';

/** The plain code that an example with settings is held against. */
export interface Beside {
  target: string;
  frame: Seen | null;
  attributes: Observation['attributes'];
}

/** What a card makes of an address. */
export function itemOf(address: string, book: HostBook): Item | null {
  const candidate = read(address).find((one) => one.address !== null);
  return (candidate && recognise(candidate, book).item) ?? null;
}

/** The plain code of the same item: one that was brought, else what the card makes of its link, or of its frame address. */
export function plainBeside(observation: Observation, all: readonly Observation[], book: HostBook): Beside | null {
  const { link, frame } = observation;
  const shown = link && all.find((one) => isPlain(one) && one.link?.address === link.address && (one.frame || one.placeholder));
  const item = link && knownItem(link.address, book);
  if (shown) {
    const target = item?.target ?? 'item';
    return { target, frame: shown.frame, attributes: shown.placeholder?.attributes ?? shown.attributes };
  }
  if (item?.target) return { target: item.target, frame: item.frame === null ? null : seen(item.frame), attributes: [] };
  if (!frame) return null;
  const match = matchLink(splitAddress(frame.address), book);
  if (match && !('refusal' in match)) {
    const found = knownItem(frame.address, book);
    return found?.target
      ? { target: found.target, frame: found.frame === null ? null : seen(found.frame), attributes: [] }
      : null;
  }
  const nearest = nearestOf(frame, all);
  const target = nearest?.link ? knownItem(nearest.link.address, book)?.target : undefined;
  return nearest && target ? { target, frame: nearest.frame, attributes: nearest.attributes } : null;
}

const knownItem = (address: string, book: HostBook): Item | null => {
  const item = itemOf(address, book);
  return item?.host === null ? null : item;
};

/** Whether it was taken without any setting. */
export const isPlain = ({ settings }: Observation): boolean => Object.keys(settings).length === 0;

/** The plain frame with most of the path in common, if that is more than the first word of it. */
function nearestOf(frame: Seen, all: readonly Observation[]): Observation | undefined {
  const shared = ({ frame: other }: Observation): number =>
    other?.origin === frame.origin ? frame.path.filter((segment, i) => segment !== '' && other.path[i] === segment).length : 0;
  return all
    .filter((one) => isPlain(one) && one.frame && shared(one) > 0)
    .sort((a, b) => shared(b) - shared(a))
    .at(0);
}
