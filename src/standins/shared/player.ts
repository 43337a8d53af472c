/** What every stand-in player shares: its data, its parameters, its reports, and a clock with a start and an end. */

/** Data that the server laid into the page. */
export function pageData<Data>(): Data {
  return JSON.parse(document.querySelector('#data')!.textContent) as Data;
}

export const part = <E extends HTMLElement>(name: string): E => document.querySelector<E>(`[data-part="${name}"]`)!;

/** Reports to the page that frames the player; a player that stands alone reports to nobody. */
export function report(message: unknown): void {
  if (window.parent !== window) window.parent.postMessage(message, '*');
}

/** Requests of the framing page. */
export function onRequest(answer: (message: unknown) => void): void {
  window.addEventListener('message', (event) => {
    if (event.source === window.parent) answer(event.data);
  });
}

export interface Passage {
  /** Seconds. */
  from: number;
  /** Seconds; infinite to play to the end. */
  until: number;
}

/** Plays a passage: seeks to its start once the length is known, and calls `over` at its end. */
export function playPassage(media: HTMLMediaElement, passage: Passage, over: () => void): void {
  let ended = false;
  const begin = (): void => {
    if (passage.from > 0) media.currentTime = Math.min(passage.from, media.duration || passage.from);
  };
  if (media.readyState >= HTMLMediaElement.HAVE_METADATA) begin();
  else media.addEventListener('loadedmetadata', begin, { once: true });
  const finish = (): void => {
    if (ended) return;
    ended = true;
    media.pause();
    over();
  };
  media.addEventListener('timeupdate', () => {
    if (media.currentTime < passage.until) ended = false;
    else if (!media.paused) finish();
  });
  media.addEventListener('ended', finish);
  media.addEventListener('playing', () => {
    if (media.currentTime < passage.until) ended = false;
  });
}

/** Starts by itself where the browser allows it; where it does not, the player waits for a press. */
export function tryToStart(media: HTMLMediaElement): void {
  media.play().catch(() => report({ refused: true }));
}

export const clockText = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

export const secondsOf = (text: string | null): number => (text !== null && /^\d+(\.\d+)?$/.test(text) ? Number(text) : 0);

/** Lays out a player's own markup; parts of it are then found by `part`. */
export function mount(markup: string, title: string): void {
  document.body.insertAdjacentHTML('afterbegin', markup);
  document.title = title;
}

/** What happens to a sound or a picture, in the words of the player. */
export interface Words {
  ready: string;
  playing: string;
  paused: string;
  time: string;
}

export function tellOf(media: HTMLMediaElement, words: Words, tell: (word: string) => void): void {
  media.addEventListener('loadedmetadata', () => tell(words.ready));
  media.addEventListener('playing', () => tell(words.playing));
  media.addEventListener('pause', () => tell(words.paused));
  media.addEventListener('timeupdate', () => tell(words.time));
  media.addEventListener('volumechange', () => tell(words.time));
}

/** A button that starts and stops, one for the sound, a bar and a clock, where the player has them. */
export function wirePress(media: HTMLMediaElement, [start, stop, loud, silent]: readonly [string, string, string, string]): void {
  const press = part('press');
  const hush = part('hush');
  press.onclick = () => (media.paused ? void media.play() : media.pause());
  hush.onclick = () => (media.muted = !media.muted);
  const show = (): void => {
    press.textContent = media.paused ? start : stop;
    hush.textContent = media.muted ? loud : silent;
    part('clock').textContent = `${clockText(media.currentTime)} / ${clockText(media.duration || 0)}`;
    part<HTMLProgressElement>('bar').value = media.duration ? media.currentTime / media.duration : 0;
  };
  for (const event of ['play', 'pause', 'timeupdate', 'volumechange', 'loadedmetadata']) media.addEventListener(event, show);
  show();
}

/** `#rrggbb` of `rrggbb`, for a style property of the page; nothing for what is no colour. */
export function tintPage(property: string, hex: string | null): string | null {
  if (!hex || !/^#?[0-9a-f]{6}$/i.test(hex)) return null;
  const colour = `#${hex.replace('#', '').toLowerCase()}`;
  document.documentElement.style.setProperty(property, colour);
  return colour;
}

/** Requests to play, pause, seek and mute, in the words of the player. */
export function obey(
  media: HTMLMediaElement,
  key: string,
  words: { play: string; pause: string; seek: string; mute: string },
): void {
  onRequest((message) => {
    const asked = (message as Record<string, { please?: string; to?: number }> | null)?.[key];
    if (asked?.please === words.play) tryToStart(media);
    if (asked?.please === words.pause) media.pause();
    if (asked?.please === words.seek) media.currentTime = Number(asked.to);
    if (asked?.please === words.mute) media.muted = true;
  });
}

export const element = (tag: string, text: string): HTMLElement =>
  Object.assign(document.createElement(tag), { textContent: text });
