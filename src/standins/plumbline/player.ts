import { mount, obey, pageData, part, playPassage, report, tellOf, tintPage, tryToStart, wirePress } from '../shared/player.ts';
import type { PlumblineData } from './routes.ts';

const data = pageData<PlumblineData>();
const asked = new URLSearchParams(location.search);
const begin = /^#at=(?:(\d+)m)?(?:(\d+)s)?$/.exec(location.hash);
const from = begin ? Number(begin[1] ?? 0) * 60 + Number(begin[2] ?? 0) : 0;

mount(
  `<video data-part="film" playsinline></video>
  <div class="plate"><b data-part="heading"></b><i data-part="maker"></i></div>
  <div class="line"><button type="button" data-part="press"></button><progress data-part="bar" max="1" value="0" aria-label="Place"></progress>
  <span data-part="clock"></span><button type="button" data-part="hush"></button></div>
  <p class="after" data-part="after" hidden>The film is over.</p>`,
  data.title,
);
const film = part<HTMLVideoElement>('film');
const tint = tintPage('--string', asked.get('tint'));
part('heading').textContent = data.title;
part('maker').textContent = data.maker;
part('heading').hidden = asked.get('heading') === '0';
part('maker').hidden = asked.get('maker') === '0';

const tell = (line: string): void =>
  report({
    plumb: {
      line,
      sec: Math.round(film.currentTime * 100) / 100,
      full: film.duration || null,
      quiet: film.muted,
      heading: !part('heading').hidden,
      maker: !part('maker').hidden,
      tint,
    },
  });

film.src = data.media;
film.muted = asked.get('quiet') === '1';
tellOf(film, { ready: 'hung', playing: 'falling', paused: 'held', time: 'sways' }, tell);
wirePress(film, ['Let fall', 'Hold', 'Aloud', 'Hush']);
film.addEventListener('playing', () => (part('after').hidden = true));
playPassage(film, { from, until: Infinity }, () => {
  if (asked.get('repeat') === '1') {
    tell('rewound');
    film.currentTime = from;
    return tryToStart(film);
  }
  part('after').hidden = false;
  tell('landed');
});
obey(film, 'plumbAsk', { play: 'fall', pause: 'hold', seek: 'sway', mute: 'quiet' });
if (asked.get('play') === '1') tryToStart(film);
