import {
  mount,
  onRequest,
  pageData,
  part,
  playPassage,
  report,
  tellOf,
  tintPage,
  tryToStart,
  wirePress,
} from '../shared/player.ts';
import type { BrackwaterData } from './routes.ts';

interface Asked {
  a?: boolean;
  l?: boolean;
  t?: number;
  v?: number;
  c?: string;
}

/** One object, encoded (RFC 4648, section 5); what is none such asks for nothing. */
function readAsked(text: string | null): Asked {
  try {
    return JSON.parse(atob((text ?? '').replaceAll('-', '+').replaceAll('_', '/'))) as Asked;
  } catch {
    return {};
  }
}

const data = pageData<BrackwaterData>();
const asked = readAsked(new URLSearchParams(location.search).get('cfg'));
mount(
  `<h1 data-part="title"></h1><audio data-part="sound"></audio>
  <div class="line"><button type="button" data-part="press"></button><progress data-part="bar" max="1" value="0" aria-label="Place"></progress>
  <span data-part="clock"></span><button type="button" data-part="hush"></button></div>`,
  data.title,
);
part('title').textContent = data.title;
const sound = part<HTMLAudioElement>('sound');
tintPage('--brack', asked.c ?? null);

/** A list: what happened, where, how long it is, whether it is hushed, and how loud. */
const tell = (word: string): void =>
  report([
    'brack',
    word,
    Math.round(sound.currentTime * 1000),
    Math.round((sound.duration || 0) * 1000),
    sound.muted,
    sound.volume,
  ]);

sound.src = data.media;
sound.volume = Math.min(1, Math.max(0, asked.v ?? 1));
tellOf(sound, { ready: 'open', playing: 'ebb', paused: 'slack', time: 'drift' }, tell);
wirePress(sound, ['Let run', 'Hold', 'Loud', 'Still']);
const from = (asked.t ?? 0) / 1000;
playPassage(sound, { from, until: Infinity }, () => {
  if (asked.l) {
    tell('turn');
    sound.currentTime = from;
    return tryToStart(sound);
  }
  tell('dry');
});
onRequest((message) => {
  if (!Array.isArray(message) || message[0] !== 'brack') return;
  if (message[1] === 'run') tryToStart(sound);
  if (message[1] === 'hold') sound.pause();
});
if (asked.a) tryToStart(sound);
