import { mount, onRequest, pageData, part, report } from '../shared/player.ts';
import type { DeckmoorData } from './routes.ts';

const data = pageData<DeckmoorData>();
const asked = new URLSearchParams(location.search);
const last = data.slides.length;
const every = Math.max(200, Number(asked.get('every')) || 5000);
const again = asked.get('again') === '1';
const roam = asked.get('roam') !== '0';
let slide = Math.min(last, Math.max(1, Number(asked.get('first')) || 1));
let timer: ReturnType<typeof setInterval> | undefined;

mount(
  `<div class="moor" data-part="moor" tabindex="0" aria-label="Slides"></div>
  <div class="cairn"><button type="button" data-part="back">Back</button><span data-part="count"></span>
  <button type="button" data-part="on">On</button><button type="button" data-part="go"></button></div>`,
  data.title,
);
const moor = part('moor');
moor.replaceChildren(
  ...data.slides.map((words, i) => {
    const sheet = document.createElement('section');
    sheet.style.setProperty('--x', String((i % 5) * 115));
    sheet.style.setProperty('--y', String(Math.floor(i / 5) * 120 + (i % 2) * 22));
    const number = Object.assign(document.createElement('small'), { textContent: `${i + 1}` });
    sheet.append(number, Object.assign(document.createElement('h2'), { textContent: words }));
    return sheet;
  }),
);

const tell = (deck: string): void =>
  report({ deck, slide, of: last, every, roam, going: timer !== undefined, zoom: moor.dataset.zoom ?? '1' });

function show(next: number): void {
  slide = next;
  const i = slide - 1;
  moor.style.transform = `translate(${-(i % 5) * 115}%, ${-(Math.floor(i / 5) * 120 + (i % 2) * 22)}%)`;
  part('count').textContent = `${slide} of ${last}`;
  tell('sheet');
}

function step(): void {
  if (slide < last) return show(slide + 1);
  if (again) return show(1);
  stop();
  tell('cairn');
}

function go(): void {
  timer ??= setInterval(step, every);
  part('go').textContent = 'Stay';
  tell('walking');
}

function stop(): void {
  clearInterval(timer);
  timer = undefined;
  part('go').textContent = 'Walk';
  tell('standing');
}

part('back').onclick = () => show(Math.max(1, slide - 1));
part('on').onclick = () => show(Math.min(last, slide + 1));
part('go').onclick = () => (timer === undefined ? go() : stop());
/** Free movement lets a visitor come nearer by the wheel; on the fixed path nothing but the slides moves. */
moor.parentElement!.addEventListener('wheel', (event) => {
  if (!roam) return;
  moor.dataset.zoom = String(Math.min(3, Math.max(0.4, Number(moor.dataset.zoom ?? 1) - Math.sign(event.deltaY) * 0.2)));
  moor.style.scale = moor.dataset.zoom;
  tell('sheet');
});
onRequest((message) => {
  const { deckAsk, slide: wanted } = (message ?? {}) as { deckAsk?: string; slide?: number };
  if (deckAsk === 'walk') go();
  if (deckAsk === 'stay') stop();
  if (deckAsk === 'to' && wanted) show(Math.min(last, Math.max(1, wanted)));
});
part('go').textContent = 'Walk';
tell('spread');
show(slide);
if (asked.get('go') === '1') go();
