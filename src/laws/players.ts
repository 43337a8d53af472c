import type { PlayerReport } from '../core/known/hosts/playerReport.ts';
import type { Did, Heard } from '../core/teach/listen.ts';
import { chance } from './hosts.ts';

/** A player made up by chance, as it was heard while somebody played it, with what each of its messages meant. */
export interface MadePlayer {
  about: string;
  log: Heard[];
  /** What was meant, by the place in the log. */
  meant: ReadonlyMap<number, Pick<PlayerReport, 'event' | 'time' | 'duration' | 'muted'>>;
  duration: number;
}

type Event = 'ready' | 'playing' | 'paused' | 'time' | 'ended';
const WORDS: readonly Record<Event, string>[] = [
  { ready: 'ready', playing: 'go', paused: 'halt', time: 'tick', ended: 'done' },
  { ready: 'loaded', playing: 'rolling', paused: 'resting', time: 'progress', ended: 'over' },
  { ready: '10', playing: '21', paused: '22', time: '30', ended: '40' },
];

export function makePlayer(seed: number): MadePlayer {
  const random = chance(seed);
  const below = (most: number): number => Math.floor(random() * most);
  const pick = <One>(all: readonly One[]): One => all[below(all.length)]!;
  const encoding = pick(['object', 'json', 'text', 'list', 'listText'] as const);
  const numbered = pick([0, 1, 2]);
  // Some say again and again in which state they are, and nothing else.
  const stateful = random() < 0.2;
  const words = stateful ? { ...WORDS[numbered]!, time: WORDS[numbered]!.playing } : WORDS[numbered]!;
  const ms = random() < 0.4;
  const nested = (encoding === 'object' || encoding === 'json') && random() < 0.4 ? pick(['data', 'payload', 'detail']) : '';
  const asNumber = numbered === 2 && encoding !== 'text' && random() < 0.5;
  // What is told by its place cannot be left out.
  const positional = encoding === 'text' || encoding === 'list' || encoding === 'listText';
  const tells = {
    muted: random() < 0.7,
    duration: random() < 0.85,
    everywhere: positional || random() < 0.7,
    clock: random() < 0.4,
    id: random() < 0.5,
  };
  const truth = pick(['boolean', 'number'] as const);
  const names = {
    event: pick(['event', 'what', 'type', 'e']),
    time: pick(['at', 'time', 'pos', 'p']),
    duration: pick(['length', 'of', 'dur', 'd']),
    muted: pick(['muted', 'hushed', 'm', 'silent']),
  };
  const duration = 30 + below(600) + (random() < 0.5 ? below(100) / 100 : 0);
  const every = 200 + below(300);
  const began = 1_750_000_000_000;
  const log: Heard[] = [];
  const meant = new Map<number, Pick<PlayerReport, 'event' | 'time' | 'duration' | 'muted'>>();
  let [at, time, muted] = [100 + below(400), 0, false];

  const write = (seconds: number): number => (ms ? Math.round(seconds * 1000) : Math.round(seconds * 100) / 100);
  const tell = (event: Event): void => {
    const short = !tells.everywhere && event !== 'time' && event !== 'ready';
    const fields: [string, unknown][] = [
      ...(tells.id ? [['id', 731205] as [string, unknown]] : []),
      [names.time, write(time)],
      ...(tells.duration && !short ? [[names.duration, write(duration)] as [string, unknown]] : []),
      ...(tells.muted ? [[names.muted, truth === 'boolean' ? muted : Number(muted)] as [string, unknown]] : []),
      ...(tells.clock ? [['clock', began + at] as [string, unknown]] : []),
    ];
    const name = asNumber ? Number(words[event]) : words[event];
    const object = nested
      ? { [names.event]: name, [nested]: Object.fromEntries(fields) }
      : Object.fromEntries([[names.event, name], ...fields]);
    const list = ['mill', name, ...fields.map(([, value]) => value)];
    const said = {
      object,
      json: JSON.stringify(object),
      list,
      listText: JSON.stringify(list),
      text: list.map((value) => (typeof value === 'boolean' ? Number(value) : value)).join(' '),
    };
    meant.set(log.length, {
      event: stateful && event === 'time' ? 'playing' : event,
      time: write(time) / (ms ? 1000 : 1),
      ...(tells.duration && !short && { duration: write(duration) / (ms ? 1000 : 1) }),
      ...(tells.muted && { muted }),
    });
    log.push({ at, message: said[encoding] });
    if (random() < 0.1) log.push({ at, message: pick([{ refused: true }, 'hello', { height: 300 + below(3) }, 7, null]) });
  };
  const play = (seconds: number): void => {
    for (let left = seconds * 1000; left > 0; left -= every) {
      // Timers are late, and the time is told as it is then.
      const step = every + below(60);
      at += step;
      time = Math.min(duration, time + step / 1000);
      tell('time');
    }
  };
  const did = (what: Did): void => void log.push({ at: (at += 300 + below(700)), did: what });

  tell('ready');
  at += 1500 + below(3000);
  tell('playing');
  play(2 + below(3));
  did('plays');
  play(0.5);
  tell('paused');
  did('rests');
  if (random() < 0.6) {
    muted = true;
    if (tells.muted && random() < 0.5) tell('time');
    at += 400;
    tell('playing');
    play(1);
    did('mutes');
  } else {
    at += 400;
    tell('playing');
  }
  play(1);
  time = duration - 2;
  play(2.4);
  time = duration;
  if (random() < 0.5) tell('paused');
  tell('ended');
  did('over');
  return { about: JSON.stringify({ encoding, ms, nested, names, ...tells, truth, numbered, asNumber }), log, meant, duration };
}
