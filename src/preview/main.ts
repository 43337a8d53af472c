import './page.css';
import { toPreview, type FromPreview, type Looks, type PreviewBox, type ToPreview } from './messages.ts';
import { measurePage } from './measure.ts';
import { EMBEDS, placeCode } from './placeCode.ts';

/** The page in which an embed is tried: it obeys the application that frames it, and nobody else. */
const application = document.querySelector<HTMLMetaElement>('meta[name=application]')!.content;

const article = document.createElement('article');
const heading = document.createElement('h1');
const before = document.createElement('p');
const slot = Object.assign(document.createElement('div'), { className: 'slot' });
const caption = Object.assign(document.createElement('p'), { className: 'caption' });
const after = document.createElement('p');
article.append(heading, before, slot, caption, after);
document.body.append(article);

const tell = (message: FromPreview): void => window.parent.postMessage(message, application);

function dress({ sample, ...looks }: Looks): void {
  document.documentElement.lang = looks.language;
  const { style } = document.body;
  style.setProperty('--column', `${looks.column}px`);
  style.setProperty('--margin', `${looks.margin}px`);
  style.setProperty('--text', looks.text);
  style.setProperty('--ground', looks.ground);
  style.fontFamily = looks.family;
  style.fontSize = `${looks.size}px`;
  heading.textContent = sample.heading;
  before.textContent = sample.before;
  caption.textContent = sample.caption;
  after.textContent = sample.after;
}

const boxOf = (element: Element): PreviewBox => {
  const { left, top, width, height } = element.getBoundingClientRect();
  return { left, top, width, height };
};
const frame = (): HTMLIFrameElement | null => slot.querySelector('iframe');
const media = (): HTMLMediaElement | null => slot.querySelector('video, audio');
const embed = (): HTMLElement | null => slot.querySelector(EMBEDS);
const layout = (): void =>
  tell({
    kind: 'layout',
    embed: embed() && boxOf(embed()!),
    column: boxOf(slot),
    bottom: slot.getBoundingClientRect().bottom + window.scrollY,
  });

window.addEventListener('message', ({ source, origin, data }: MessageEvent<unknown>) => {
  if (source === window.parent && origin === application) return obey(data);
  if (source !== null && source === frame()?.contentWindow) heard(data);
});

/** What the embed tells: a height of code with a script is for its frame, everything else for the application. */
function heard(data: unknown): void {
  const height = (data as { runHeight?: unknown } | null)?.runHeight;
  if (typeof height === 'number' && frame()?.dataset.code) {
    frame()!.style.height = `${Math.min(4000, Math.max(40, height))}px`;
    return layout();
  }
  tell({ kind: 'player', data });
}

const MEDIA = {
  loadedmetadata: 'ready',
  playing: 'playing',
  pause: 'paused',
  timeupdate: 'time',
  volumechange: 'time',
  ended: 'ended',
} as const;

function watchMedia(): void {
  const element = media();
  if (!element) return;
  for (const [event, word] of Object.entries(MEDIA))
    element.addEventListener(event, () => {
      const duration = Number.isFinite(element.duration) ? element.duration : undefined;
      tell({ kind: 'media', event: word, time: element.currentTime, duration, muted: element.muted });
    });
}

/** A press in a player lets it play; from out here that has to be delegated (Permissions Policy, section 9.5). */
function pressedCode(code: string): string {
  const template = document.createElement('template');
  template.innerHTML = code;
  for (const frame of template.content.querySelectorAll('iframe')) frame.allow = `autoplay *; ${frame.allow}`;
  return template.innerHTML;
}

const PRESSES: Record<Extract<ToPreview, { kind: 'press' }>['what'], (time: number) => void> = {
  play: () =>
    void media()
      ?.play()
      .catch(() => undefined),
  pause: () => media()?.pause(),
  mute: () => void (media() && (media()!.muted = true)),
  seek: (time) => void (media() && (media()!.currentTime = time)),
  // The cover is a page of our own within the code (`srcdoc`), with one link that leads to the player.
  cover: () => {
    const link = (): HTMLElement | null | undefined => frame()?.contentDocument?.querySelector('a');
    if (link()) link()!.click();
    else frame()?.addEventListener('load', () => link()?.click(), { once: true });
  },
};

/** Origins of others from which this page, or a cover in it, has asked for anything (Resource Timing, section 4.3). */
function requests(): string[] {
  const pages = [window, ...(frame()?.srcdoc ? [frame()!.contentWindow!] : [])];
  const entries = pages.flatMap((page) => page.performance.getEntriesByType('resource'));
  const origins = entries.map(({ name }) => (URL.canParse(name) ? new URL(name).origin : 'null'));
  return [...new Set(origins)].filter((origin) => origin !== 'null' && origin !== location.origin);
}

function obey(data: unknown): void {
  const message = toPreview.safeParse(data);
  if (!message.success) return;
  if (message.data.kind === 'press') return PRESSES[message.data.what](message.data.time ?? 0);
  if (message.data.kind === 'requests') return tell({ kind: 'requests', from: requests() });
  if (message.data.kind === 'ask') return frame()?.contentWindow?.postMessage(message.data.message, '*');
  if (message.data.kind === 'measure')
    return void measurePage(message.data.html, message.data.styles).then((measures) => tell({ kind: 'measured', measures }));
  dress(message.data.looks);
  if (placeCode(slot, message.data.pressed ? pressedCode(message.data.code) : message.data.code)) {
    tell({ kind: 'loaded' });
    watchMedia();
  }
  layout();
}

const watch = new ResizeObserver(layout);
watch.observe(slot);
watch.observe(document.body);
window.addEventListener('scroll', layout, { passive: true });
tell({ kind: 'open' });
