import { mount, pageData, part, report, tintPage } from '../shared/player.ts';
import type { GatherfoldData } from './routes.ts';

const data = pageData<GatherfoldData>();
const asked = new URLSearchParams(location.search);
const code = location.pathname.split('/').at(-1)!;
const double = asked.get('spread') !== '1';
const step = double ? 2 : 1;
const last = data.pages.length;
const auto = asked.get('turn') === 'auto';
let page = Math.min(last, Math.max(1, Number(asked.get('page')) || 1));

mount(
  `<div class="book" data-part="book"></div>
  <button type="button" class="edge before" data-part="before" aria-label="Page before"></button>
  <button type="button" class="edge after" data-part="after" aria-label="Next page"></button><span class="folio" data-part="folio"></span>`,
  data.title,
);
const ground = tintPage('--ground', asked.get('ground'));
document.body.classList.toggle('cues', asked.get('cues') === '1');

const leaf = (number: number): HTMLImageElement =>
  Object.assign(document.createElement('img'), { src: `/leaf/${code}/${number}.svg`, alt: data.pages[number - 1] ?? '' });

const tell = (fold: string): void =>
  report({ fold, page, of: last, spread: step, cues: asked.get('cues') === '1', ground, tune: tune !== null });

function turn(next: number): void {
  page = Math.min(last, Math.max(1, next));
  const shown = Array.from({ length: step }, (_, i) => page + i).filter((n) => n <= last);
  part('book').replaceChildren(...shown.map(leaf));
  part('folio').textContent = `${shown.join('–')} of ${last}`;
  tell('turned');
}

/** A quiet drone; browsers hold it back until somebody has pressed something. */
const tune = asked.get('tune') === '1' ? new AudioContext() : null;
if (tune) {
  const [voice, level] = [tune.createOscillator(), tune.createGain()];
  voice.frequency.value = 110;
  level.gain.value = 0.04;
  voice.connect(level).connect(tune.destination);
  voice.start();
}

part('before').onclick = () => turn(page - step);
part('after').onclick = () => turn(page + step);
// Turning by itself, or with the sound bed, every page is there from the start.
if (auto || tune) data.pages.forEach((_, i) => void leaf(i + 1));
tell('bound');
turn(page);
if (auto) setInterval(() => turn(page + step > last ? 1 : page + step), 1500);
