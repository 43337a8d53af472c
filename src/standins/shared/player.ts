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
