import type { HostBook } from '../known/hosts/book.ts';
import type { PlayerMessages } from '../known/hosts/card.ts';
import { styleFor, type HouseStyle } from '../known/styles/style.ts';
import type { Settings } from '../known/settings/list.ts';
import { bringIn, makeEmbed } from '../pipeline.ts';
import { frameAddress } from '../steps/write/address.ts';
import { MOVING } from '../steps/check/rule.ts';
import { USUAL_FORM } from '../steps/write/forms/list.ts';
import type { Entry } from './order.ts';

/** How a host's player is understood within the page: of its messages what tells the time and the end. */
export type Reports = Pick<PlayerMessages, 'encoding' | 'event' | 'events'> & {
  time?: PlayerMessages['fields']['time'];
  /** Messages by which it is asked to play, and to go to a `{time}`. */
  ask: Partial<Pick<PlayerMessages['ask'], 'play' | 'seek'>>;
};

/** What the page does to play an entry. */
export type Plays =
  /** A media file, or a stream of its pieces, in an element of our own. */
  | { by: 'audio' | 'video'; src: string; stream?: true }
  /** A frame that begins by itself at the clip's start, as far as the host can. */
  | { by: 'frame'; src: string; allow: string; ratio: string; height: number | null; reports: Reports | null }
  /** Nothing that can be played here: a link. */
  | { by: 'link' };

/** What is to be known of how an entry plays, as data; the sentences are in the message file. */
export type PlayNote =
  /** Its host does not tell when it is over: somebody has to go on. */
  | 'endUntold'
  /** Its host can begin or end no clip. */
  | 'startIgnored'
  /** Its host neither begins by itself nor when asked to: somebody has to press again, in the player. */
  | 'pressAgain'
  | 'clipOverruns'
  /** Its host cannot be muted, so that no browser lets it begin by itself. */
  | 'notMuted'
  /** A stream, which not every browser plays by itself. */
  | 'streamNotEverywhere'
  | 'notPlayable';

/** How an entry is played, and what cannot be done. */
export interface Played {
  plays: Plays;
  notes: readonly PlayNote[];
  /** Whether its address does not say where it begins, so that it has to be asked. */
  seeks: boolean;
}

const AS_LINK: Played = {
  plays: { by: 'link' },
  notes: ['notPlayable'],
  seeks: false,
};

/** A manifest of HTTP Live Streaming (RFC 8216), which some browsers play by themselves. */
const STREAM = /\.m3u8$/i;

/** Whether an entry is one, by the ending of its address. */
export const isStream = ({ address }: Pick<Entry, 'address'>): boolean => STREAM.test(new URL(address).pathname);

/** What a player is chosen and set by. */
interface PlayedBy {
  book: HostBook;
  style?: HouseStyle | undefined;
}

/** How an entry is played, and what it cannot do; silently where it may begin without a visitor's press. */
export function playsOf(entry: Entry, { book, style }: PlayedBy, silently = false): Played {
  const item = bringIn(entry.address, book).find((one) => one.item)?.item;
  const stream = isStream(entry);
  if (!item || item.plain)
    return entry.media === undefined && !stream
      ? AS_LINK
      : {
          plays: { by: entry.media ?? 'video', src: entry.address, ...(stream && { stream }) },
          notes: stream ? ['streamNotEverywhere'] : [],
          seeks: false,
        };
  if (item.form === 'file')
    return item.kind === 'audio' || item.kind === 'video'
      ? { plays: { by: item.kind, src: entry.address }, notes: [], seeks: false }
      : AS_LINK;
  if (item.frame === null) return AS_LINK;
  const asked: Settings = {
    ...styleFor(style, item.kind),
    autoplay: 'on',
    ...(silently && { mute: 'on' as const }),
    ...(entry.from !== undefined && { start: entry.from }),
    ...(entry.until !== undefined && { end: entry.until }),
  };
  const { plan } = makeEmbed(item, asked, { book, site: null, facts: {}, form: USUAL_FORM });
  const sent = new Set(plan.entries.flatMap(({ setting, state }) => (state === 'sent' ? [setting] : [])));
  const player = item.host === null ? undefined : book.byId.get(item.host)?.card.player;
  const reports = player && reportsOf(player);
  const fit = item.host === null ? undefined : book.byId.get(item.host)?.card.targets[item.target ?? '']?.fit;
  const notes: PlayNote[] = [
    ...(silently && MOVING.includes(item.kind) && !sent.has('mute') ? (['notMuted'] as const) : []),
    ...(!sent.has('autoplay') && reports?.ask.play === undefined ? (['pressAgain'] as const) : []),
    ...(entry.from !== undefined && !sent.has('start') && reports?.ask.seek === undefined ? (['startIgnored'] as const) : []),
    ...(entry.until !== undefined && !sent.has('end') && reports?.time === undefined ? (['clipOverruns'] as const) : []),
    ...(reports && Object.values(reports.events).some((event) => event === 'ended') ? [] : (['endUntold'] as const)),
  ];
  return {
    seeks: !sent.has('start'),
    plays: {
      by: 'frame',
      src: frameAddress(plan)
        .map(({ text }) => text)
        .join(''),
      allow: [...new Set(['autoplay', 'fullscreen', ...plan.allow.map(({ feature }) => feature)])].join('; '),
      ratio: fit?.by === 'ratio' ? fit.ratio : '16:9',
      height:
        fit === undefined ? null : fit.by === 'steps' ? (fit.heights[fit.usual] ?? null) : 'height' in fit ? fit.height : null,
      reports: reports ?? null,
    },
    notes,
  };
}

/** Events that the page has use for. */
const HEARD: ReadonlySet<string> = new Set(['ready', 'playing', 'paused', 'time', 'ended']);

function reportsOf({ encoding, event, events, fields, ask: { play, seek } }: PlayerMessages): Reports | undefined {
  const heard = Object.fromEntries(Object.entries(events).filter(([, meaning]) => HEARD.has(meaning)));
  if (Object.keys(heard).length === 0) return undefined;
  const ask = { ...(play !== undefined && { play }), ...(seek !== undefined && { seek }) };
  return { encoding, event, events: heard, ask, ...(fields.time && { time: fields.time }) };
}
