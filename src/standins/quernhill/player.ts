import { mount, onRequest, pageData, part, playPassage, report, tellOf, tryToStart, wirePress } from '../shared/player.ts';
import type { QuernhillData } from './routes.ts';

const data = pageData<QuernhillData>();
const flags = new Set((location.pathname.split('/')[2] ?? '').split(','));
const asked = new URLSearchParams(location.search);
const [, minutes = '0', seconds = '0'] = /^#(\d+):(\d{2})$/.exec(location.hash) ?? [];
const from = Number(minutes) * 60 + Number(seconds);

mount(
  `<video data-part="film" playsinline></video>
  <div class="line"><button type="button" data-part="press"></button><progress data-part="bar" max="1" value="0" aria-label="Place"></progress>
  <span data-part="clock"></span><button type="button" data-part="hush"></button></div>
  <p class="after" data-part="after" hidden></p>`,
  data.title,
);
const film = part<HTMLVideoElement>('film');
const shade = asked.get('shade');
if (shade && CSS.supports('color', shade)) document.documentElement.style.setProperty('--shade', shade);
document.querySelector<HTMLElement>('.line')!.hidden = flags.has('bare');

/** A line of text: a code, the place and the length in seconds, and whether it is hushed. */
const tell = (code: string): void =>
  report(`quern ${code} ${film.currentTime.toFixed(2)} ${film.duration || 0} ${Number(film.muted)}`);

film.src = data.media;
film.muted = flags.has('hush');
tellOf(film, { ready: '10', playing: '21', paused: '22', time: '30' }, tell);
wirePress(film, ['Grind', 'Rest', 'Aloud', 'Hush']);
playPassage(film, { from, until: Infinity }, () => {
  if (flags.has('round')) {
    tell('41');
    film.currentTime = from;
    return tryToStart(film);
  }
  part('after').hidden = asked.get('then') === 'none';
  part('after').textContent = 'More of the same maker';
  tell('40');
});
onRequest((message) => {
  if (message === 'quern! run') tryToStart(film);
  if (message === 'quern! rest') film.pause();
});
if (flags.has('run')) tryToStart(film);
