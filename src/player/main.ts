import type { PageData } from '../core/order/page/data.ts';
import type { Plays } from '../core/order/plays.ts';
import type { OrderReport } from '../core/order/proof.ts';
import { dataOf, pick } from './messages.ts';
import { playsStreams, streamInto, type StreamPlayer } from './stream.ts';

/** The page itself; or the element before the script, where the player is laid into a page of others. */
const root: Document | ShadowRoot = document.currentScript?.previousElementSibling?.shadowRoot ?? document;
/** The script of the page that plays a running order. It asks for nothing before a visitor does. */
const { words, continuous, loop, first, download, autoplay, volume, streamScript, entries } = JSON.parse(
  root.querySelector('#order')!.textContent,
) as PageData;
const find = <E extends HTMLElement>(selector: string): E => root.querySelector<E>(selector)!;
const make = <Tag extends keyof HTMLElementTagNameMap>(
  tag: Tag,
  given: Partial<HTMLElementTagNameMap[Tag]> = {},
): HTMLElementTagNameMap[Tag] => Object.assign(document.createElement(tag), given);

const [stage, bar, list] = [find('.stage'), find('.bar'), find('ol')];
const links = [...list.querySelectorAll<HTMLAnchorElement>('li>a[data-i]')];
let at = first;
let media: HTMLMediaElement | null = null;
let frame: HTMLIFrameElement | null = null;
let stream: StreamPlayer | null = null;
let done = false;
let waiting = 0;
let started = false;
let wanted = 0;
let time = 0;
/** What begins by itself may not be heard, until somebody wants to hear it. */
let silent = autoplay;

const press = make('button', { className: 'press', type: 'button' });
const back = make('button', { type: 'button', textContent: words.back });
const next = make('button', { type: 'button', textContent: words.next });
const stay = make('button', { type: 'button', textContent: words.stay, hidden: true });
const sound = make('button', { type: 'button', textContent: words.sound, hidden: !autoplay });
const told = make('p');
told.setAttribute('role', 'status');
const save = make('a', { textContent: words.save, hidden: true });
save.download = '';
bar.append(back, next, sound, told, stay, save);
for (const element of list.querySelectorAll('audio,video')) element.remove();
stage.hidden = bar.hidden = false;

/** Tells the page around it what plays; of what it says nothing depends here. */
const tell = (runningOrder: OrderReport['runningOrder'], seconds?: number): void => {
  if (root === document && parent !== window) parent.postMessage({ runningOrder, entry: at, time: seconds }, '*');
};

/** Shows which entry is meant, without playing it. */
function choose(i: number): void {
  at = i;
  done = false;
  stop();
  const { title, plays } = entries[i]!;
  links.forEach((link, k) => {
    if (k === i) link.setAttribute('aria-current', 'true');
    else link.removeAttribute('aria-current');
    link.tabIndex = k === i ? 0 : -1;
  });
  press.textContent = `${words.play}: ${title}`;
  stage.replaceChildren(press);
  back.disabled = i === 0;
  next.disabled = i === entries.length - 1 && loop !== 'all';
  save.hidden = !download || (plays.by !== 'audio' && plays.by !== 'video');
  if (!save.hidden) save.href = (plays as { src: string }).src;
  for (const part of root.querySelectorAll<HTMLElement>('.transcript')) part.hidden = Number(part.dataset.i) !== i;
  told.textContent = '';
}

function stop(): void {
  time = 0;
  clearTimeout(waiting);
  stay.hidden = true;
  media?.pause();
  stream?.destroy();
  stream = media = frame = null;
}

function play(i: number, from?: number): void {
  if (i !== at || !entries[i]) choose(i);
  const entry = entries[i]!;
  stop();
  done = false;
  told.textContent = entry.title;
  links[i]!.scrollIntoView({ block: 'nearest' });
  const start = from ?? entry.from ?? 0;
  if (entry.plays.by === 'link') return refused();
  if (entry.plays.by === 'frame') return playFrame(entry.plays, start);
  const { by, src, stream: streams } = entry.plays;
  const element = make(by, { controls: true });
  element.setAttribute('aria-label', entry.title);
  media = element;
  element.volume = volume;
  element.muted = silent;
  // Where the file allows it, it is asked for from there (Media Fragments, section 4.2.1); the seek holds in any case.
  element.addEventListener('loadedmetadata', () => start > 0 && (element.currentTime = start), { once: true });
  element.addEventListener('timeupdate', () => element === media && timeIs(element.currentTime));
  element.addEventListener('ended', () => element === media && over());
  element.addEventListener('error', () => element === media && refused());
  stage.replaceChildren(element);
  if (streams && streamScript && !playsStreams(element)) return void playStream(element, src, streamScript);
  element.src = src;
  void element.play().catch(() => undefined);
}

async function playStream(element: HTMLMediaElement, src: string, script: string): Promise<void> {
  const gone = (): void => void (element === media && refused());
  const player = await streamInto(element, { src, script, refused: gone }).catch(gone);
  if (!player) return;
  // Another was chosen meanwhile.
  if (element !== media) return player.destroy();
  stream = player;
  void element.play().catch(() => undefined);
}

function playFrame({ src, allow, ratio, height }: Extract<Plays, { by: 'frame' }>, start: number): void {
  const [w, h] = ratio.split(':');
  frame = make('iframe', {
    src: silent ? (entries[at]!.silent ?? src) : src,
    allow,
    title: entries[at]!.title,
    allowFullscreen: true,
  });
  frame.style.cssText = height === null ? `aspect-ratio:${w}/${h}` : `height:${height}px`;
  started = false;
  // What the address says already is not asked for again.
  wanted = start === entries[at]!.from && !entries[at]!.seeks ? 0 : start;
  stage.replaceChildren(frame);
}

addEventListener('message', ({ source, data }) => {
  const { plays } = entries[at]!;
  const heard = frame;
  if (!frame || source !== frame.contentWindow || plays.by !== 'frame' || !plays.reports) return;
  const { encoding, event, events, time } = plays.reports;
  const read = dataOf(encoding, data);
  const name = String(pick(read, event));
  const what = Object.hasOwn(events, name) ? events[name] : undefined;
  const told = time && pick(read, time.at);
  if (what && typeof told === 'number') timeIs(time?.unit === 'ms' ? told / 1000 : told);
  if (what === 'ended') over();
  // Some begin by their address alone; all others when they are asked to, once they are there.
  if (frame === heard && !started) {
    started = true;
    if (plays.reports.ask.seek !== undefined && wanted > 0) ask(plays.reports.ask.seek, wanted);
    if (plays.reports.ask.play !== undefined) ask(plays.reports.ask.play, wanted);
  }
});

/** A request in the words of the host, with the time laid in. */
const ask = (message: unknown, time: number): void =>
  frame?.contentWindow?.postMessage(
    JSON.parse(JSON.stringify(message), (_, value: unknown) => (value === '{time}' ? time : value)),
    '*',
  );

function timeIs(seconds: number): void {
  time = seconds;
  tell('time', seconds);
  follow(seconds);
  const { from = 0, until } = entries[at]!;
  if (until !== undefined && seconds >= until && seconds > from && !done) {
    media?.pause();
    over();
  }
}

/** The entry has ended: on, around, or here. */
function over(): void {
  if (done) return;
  done = true;
  tell('over');
  if (loop === 'one') return play(at);
  const last = at === entries.length - 1;
  if (continuous && (!last || loop === 'all')) return play(last ? 0 : at + 1);
  if (last) tell('end');
  frame = null;
  choose(last ? at : at + 1);
  if (last) told.textContent = words.over;
}

const PAUSE = 8;
/** What cannot be played is told, and passed over after a pause that can be stopped. */
function refused(): void {
  links[at]!.dataset.refused = '';
  tell('refused');
  const last = at === entries.length - 1 && loop !== 'all';
  told.textContent = words.refused.replace('{s}', String(PAUSE));
  const open = make('a', { href: links[at]!.href, target: '_top', textContent: entries[at]!.title });
  stage.replaceChildren(open);
  if (last || !continuous) return;
  stay.hidden = false;
  waiting = window.setTimeout(() => play(at === entries.length - 1 ? 0 : at + 1), PAUSE * 1000);
}

function hear(): void {
  silent = false;
  sound.hidden = true;
}
sound.addEventListener('click', () => {
  hear();
  if (media) media.muted = false;
  else play(at, time || undefined);
});
press.addEventListener('click', () => {
  hear();
  play(at);
});
back.addEventListener('click', () => play(at - 1));
next.addEventListener('click', () => play(at === entries.length - 1 ? 0 : at + 1));
stay.addEventListener('click', () => {
  clearTimeout(waiting);
  stay.hidden = true;
});
/** Jumps within what is played; a frame is asked anew, from there, by its place in the address. */
function jump(i: number, seconds: number): void {
  if (i === at && media) {
    media.currentTime = seconds;
    void media.play().catch(() => undefined);
    return;
  }
  const { plays } = entries[i]!;
  if (i === at && frame && plays.by === 'frame' && plays.reports?.ask.seek !== undefined)
    return ask(plays.reports.ask.seek, seconds);
  play(i, seconds);
}
(root as Document).addEventListener('click', (event) => {
  const link = (event.target as Element).closest<HTMLAnchorElement>('a[data-i],.said a');
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  const i = Number(link.dataset.i ?? link.closest<HTMLElement>('.transcript')!.dataset.i);
  if (link.dataset.t === undefined) play(i);
  else jump(i, Number(link.dataset.t));
});
list.addEventListener('keydown', (event) => {
  const step = { ArrowDown: 1, ArrowUp: -1, Home: -Infinity, End: Infinity }[event.key];
  const now = links.indexOf(root.activeElement as HTMLAnchorElement);
  if (step === undefined || now < 0) return;
  event.preventDefault();
  const to = links[Math.min(links.length - 1, Math.max(0, now + step))]!;
  links[now]!.tabIndex = -1;
  to.tabIndex = 0;
  to.focus();
});

/** Transcripts: what is said now is marked and kept in sight, and its words can be searched. */
interface Said {
  part: HTMLElement;
  box: HTMLElement;
  cues: HTMLAnchorElement[];
  times: number[];
  texts: string[];
  follows: HTMLInputElement;
  now: number;
}
const said = new Map<number, Said>();
for (const part of root.querySelectorAll<HTMLElement>('.transcript')) {
  const cues = [...part.querySelectorAll<HTMLAnchorElement>('.said a')];
  const follows = make('input', { type: 'checkbox', checked: true });
  const field = make('input', { type: 'search' });
  field.setAttribute('aria-label', words.search);
  field.placeholder = words.search;
  const [up, down, count] = [
    make('button', { type: 'button', textContent: '↑' }),
    make('button', { type: 'button', textContent: '↓' }),
    make('p'),
  ];
  up.setAttribute('aria-label', words.back);
  down.setAttribute('aria-label', words.next);
  count.setAttribute('role', 'status');
  const label = make('label');
  label.append(follows, ` ${words.follow}`);
  const tools = make('div', { className: 'bar' });
  tools.append(field, up, down, count, label);
  part.querySelector('summary')!.after(tools);
  const held: Said = {
    part,
    box: part.querySelector<HTMLElement>('.said')!,
    cues,
    times: cues.map(({ dataset }) => Number(dataset.t)),
    texts: cues.map(({ textContent }) => textContent.toLowerCase()),
    follows,
    now: -1,
  };
  said.set(Number(part.dataset.i), held);
  let hits: number[] = [];
  let hit = 0;
  const show = (): void => {
    part.querySelector('.hit')?.classList.remove('hit');
    count.textContent =
      field.value === ''
        ? ''
        : hits.length === 0
          ? words.none
          : words.found.replace('{n}', String(hit + 1)).replace('{all}', String(hits.length));
    const cue = cues[hits[hit]!];
    if (!cue) return;
    follows.checked = false;
    cue.classList.add('hit');
    keepInSight(held, cue);
  };
  field.addEventListener('input', () => {
    const wanted = field.value.trim().toLowerCase();
    hits = wanted === '' ? [] : held.texts.flatMap((text, i) => (text.includes(wanted) ? [i] : []));
    hit = 0;
    show();
  });
  const step = (by: number): void => {
    if (hits.length === 0) return;
    hit = (hit + by + hits.length) % hits.length;
    show();
  };
  up.addEventListener('click', () => step(-1));
  down.addEventListener('click', () => step(1));
  field.addEventListener('keydown', (event) => event.key === 'Enter' && step(event.shiftKey ? -1 : 1));
}

function keepInSight({ box }: Said, cue: HTMLElement): void {
  box.scrollTop = cue.offsetTop - box.clientHeight / 3;
}

function follow(seconds: number): void {
  const held = said.get(at);
  if (!held) return;
  let [low, high] = [0, held.times.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (held.times[middle]! <= seconds) low = middle + 1;
    else high = middle;
  }
  if (low - 1 === held.now) return;
  held.cues[held.now]?.classList.remove('now');
  held.now = low - 1;
  const cue = held.cues[held.now];
  cue?.classList.add('now');
  if (cue && held.follows.checked) keepInSight(held, cue);
}

if (entries.length > 0) choose(first);
if (entries.length > 0 && autoplay) play(first);
