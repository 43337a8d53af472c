import { element, mount, obey, pageData, part, report, tellOf, tryToStart } from '../shared/player.ts';
import type { AirwherryData } from './routes.ts';

const data = pageData<AirwherryData>();
const asked = new URLSearchParams(location.search);
const name = asked.get('name') ?? data.title;

function talk(): void {
  mount(`<h1 data-part="name"></h1><ul data-part="lines"></ul><p class="sign">Sign in to write</p>`, data.title);
  part('lines').replaceChildren(...data.lines.map((line) => element('li', line)));
  report({ wherry: 'talking', name, on: asked.get('on'), lines: data.lines.length });
}

function week(): void {
  mount(`<h1 data-part="name"></h1><dl data-part="lines"></dl>`, data.title);
  for (const line of data.lines) {
    const [day = '', words = ''] = line.split(/: (.*)/s);
    part('lines').append(element('dt', day), element('dd', words));
  }
  report({ wherry: 'week', name, days: data.lines.length });
}

function play(): void {
  mount(
    `<audio data-part="air" loop></audio><h1 data-part="name"></h1><p class="mast">on the air</p>
    <button type="button" data-part="press">Come aboard</button> <button type="button" data-part="hush">Hush</button>`,
    data.title,
  );
  const air = part<HTMLAudioElement>('air');
  const tell = (wherry: string): void => report({ wherry, hush: air.muted, name, s: Math.round(air.currentTime) });
  air.src = data.media;
  air.muted = asked.get('hush') === '1';
  tellOf(air, { ready: 'moored', playing: 'afloat', paused: 'moored', time: 'drifting' }, tell);
  part('press').onclick = () => (air.paused ? void air.play() : air.pause());
  part('hush').onclick = () => (air.muted = !air.muted);
  air.addEventListener('playing', () => (part('press').textContent = 'Go ashore'));
  air.addEventListener('pause', () => (part('press').textContent = 'Come aboard'));
  obey(air, 'wherryAsk', { play: 'aboard', pause: 'ashore', seek: '', mute: 'hush' });
  if (asked.get('auto') === '1') tryToStart(air);
}

({ play, talk, week })[data.deck]();
part('name').textContent = name;
