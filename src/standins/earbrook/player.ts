import {
  element,
  mount,
  obey,
  pageData,
  part,
  playPassage,
  report,
  secondsOf,
  tellOf,
  tintPage,
  wirePress,
} from '../shared/player.ts';
import type { EarbrookData } from './routes.ts';

const data = pageData<EarbrookData>();
const asked = new URLSearchParams(location.search);
const look = asked.get('look') ?? 'day';
const dark = look === 'night' || (look === 'page' && matchMedia('(prefers-color-scheme: dark)').matches);
const from = secondsOf(asked.get('from'));
let playing = 0;

mount(
  `<audio data-part="sound"></audio>
  <p class="show" data-part="show"></p><h1 data-part="episode"></h1>
  <div class="stream"><button type="button" data-part="press"></button><progress data-part="bar" max="1" value="0" aria-label="Place"></progress>
  <span data-part="clock"></span><button type="button" data-part="hush"></button></div>
  <ol data-part="more"></ol>`,
  data.title,
);
const sound = part<HTMLAudioElement>('sound');
document.body.classList.toggle('night', dark);
const tint = tintPage('--water', asked.get('tint'));
part('show').textContent = data.show;
part('more').hidden = asked.get('more') === '0';
part('more').replaceChildren(...data.episodes.map(({ number, title }) => element('li', `${number} · ${title}`)));

function load(index: number): void {
  playing = index;
  sound.src = data.episodes[index]!.media;
  part('episode').textContent = data.episodes[index]!.title;
}

const tell = (ear: string): void =>
  report({
    ear,
    t: Math.round(sound.currentTime * 100) / 100,
    of: sound.duration || null,
    dull: sound.muted,
    episode: data.episodes[playing]!.title,
    look: dark ? 'night' : 'day',
    tint,
    more: !part('more').hidden,
  });
tellOf(sound, { ready: 'pricked', playing: 'listening', paused: 'resting', time: 'hearing' }, tell);
wirePress(sound, ['Listen', 'Rest', 'Aloud', 'Hush']);
obey(sound, 'earAsk', { play: 'listen', pause: 'rest', seek: 'wade', mute: 'dull' });
load(0);
playPassage(sound, { from, until: Infinity }, () => tell('silence'));
