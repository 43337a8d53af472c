import { clockText, onRequest, pageData, part, playPassage, report, secondsOf, tryToStart } from '../shared/player.ts';
import type { LanternreelData, Reel } from './routes.ts';

const data = pageData<LanternreelData>();
const asked = new URLSearchParams(location.search);
for (const [name, value] of Object.entries(data.overruled)) {
  if (value === null) asked.delete(name);
  else asked.set(name, value);
}
const screen = part<HTMLVideoElement>('screen');
const endScreen = part('end');
const passage = { from: data.live ? 0 : secondsOf(asked.get('from')), until: secondsOf(asked.get('until')) || Infinity };
/** One reel begins again only when the address names it as its own playlist. */
const again = asked.get('again') === '1' && data.run !== null;
let playing = 0;

const reel = (): Reel => data.reels[playing]!;

function tell(what: string, more: object = {}): void {
  report({
    reel: what,
    at: Math.round(screen.currentTime * 100) / 100,
    length: data.live ? null : screen.duration || null,
    hushed: screen.muted,
    name: reel().title,
    bars: !part('bars').hidden,
    ...more,
  });
}

function load(index: number): void {
  playing = index;
  screen.src = reel().media;
  part('name').textContent = `${reel().title} — ${reel().author}`;
  addCaptions();
}

function addCaptions(): void {
  const language = asked.get('cc');
  if (!language || !data.languages.includes(language)) return;
  const track = Object.assign(document.createElement('track'), {
    kind: 'captions',
    srclang: language,
    label: language,
    src: `/captions/${reel().id}.${language}.vtt`,
    default: true,
  });
  track.addEventListener('load', () => tell('captions', { language }));
  screen.replaceChildren(track);
}

function over(): void {
  const last = playing === data.reels.length - 1;
  if (!last) return next(playing + 1);
  if (again) return data.reels.length > 1 ? next(0) : restart();
  showEnd();
}

function next(index: number): void {
  load(index);
  passage.from = 0;
  tryToStart(screen);
}

function restart(): void {
  tell('again');
  screen.currentTime = passage.from;
  tryToStart(screen);
}

function showEnd(): void {
  const own = asked.get('after') === 'own';
  const offered = data.others
    .filter((o) => !own || o.channel === reel().channel)
    .sort((a, b) => Number(a.channel === reel().channel) - Number(b.channel === reel().channel));
  part('endWords').textContent = own ? `More from ${reel().author}` : 'More to see';
  part('offers').replaceChildren(...offered.slice(0, 4).map(offerCard));
  endScreen.hidden = false;
  tell('over', { offers: offered.slice(0, 4).map(({ title, channel, author }) => ({ title, channel, author })) });
}

function offerCard(other: Reel): HTMLLIElement {
  const card = document.createElement('li');
  const picture = Object.assign(document.createElement('img'), { src: `/covers/${other.id}.webp`, alt: '' });
  const words = Object.assign(document.createElement('span'), { textContent: other.title });
  card.append(picture, words, Object.assign(document.createElement('small'), { textContent: other.author }));
  return card;
}

function wireControls(): void {
  part('bars').hidden = asked.get('bars') === '0';
  const place = part<HTMLInputElement>('place');
  part('roll').onclick = () => (screen.paused ? void screen.play() : screen.pause());
  part('hush').onclick = () => (screen.muted = !screen.muted);
  part('whole').onclick = () => void document.documentElement.requestFullscreen();
  part('anew').onclick = () => {
    endScreen.hidden = true;
    restart();
  };
  place.hidden = data.live;
  place.oninput = () => (screen.currentTime = (Number(place.value) / 1000) * screen.duration);
  screen.onclick = () => (screen.paused ? void screen.play() : screen.pause());
  const show = (): void => {
    part('roll').textContent = screen.paused ? 'Play' : 'Pause';
    part('hush').textContent = screen.muted ? 'Sound on' : 'Sound off';
    part('clock').textContent = data.live ? 'Live' : `${clockText(screen.currentTime)} / ${clockText(screen.duration || 0)}`;
    if (screen.duration) place.value = String((screen.currentTime / screen.duration) * 1000);
  };
  for (const event of ['play', 'pause', 'timeupdate', 'volumechange', 'loadedmetadata']) screen.addEventListener(event, show);
}

function wireReports(): void {
  screen.addEventListener('loadedmetadata', () => tell('ready'));
  screen.addEventListener('playing', () => {
    endScreen.hidden = true;
    tell('rolling');
    setTimeout(() => part('name').classList.add('away'), 3000);
  });
  screen.addEventListener('pause', () => tell('halted'));
  screen.addEventListener('timeupdate', () => tell('tick'));
  screen.addEventListener('volumechange', () => tell('tick'));
}

const REQUESTS: Record<string, (at: number) => void> = {
  roll: () => tryToStart(screen),
  halt: () => screen.pause(),
  to: (at) => (screen.currentTime = at),
  hush: () => (screen.muted = true),
  sound: () => (screen.muted = false),
};
onRequest((message) => {
  const { reelDo, at } = (message ?? {}) as { reelDo?: string; at?: number };
  if (reelDo && Object.hasOwn(REQUESTS, reelDo)) REQUESTS[reelDo]!(Number(at));
});

screen.muted = asked.get('hush') === '1';
screen.loop = data.live;
wireControls();
wireReports();
load(0);
playPassage(screen, passage, over);
if (asked.get('auto') === '1') tryToStart(screen);
