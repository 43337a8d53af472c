/** Attributes whose change makes another player of it; all others are applied in place, without a reload. */
const MAKES_ANOTHER = [
  'src',
  'srcdoc',
  'allow',
  'allowfullscreen',
  'sandbox',
  'referrerpolicy',
  'name',
  'controls',
  'autoplay',
  'muted',
  'loop',
];
export const EMBEDS = 'iframe, video, audio, img';

/** Puts code into the slot, and keeps the running player where only size or surroundings changed. True when it loaded anew. */
export function placeCode(slot: HTMLElement, code: string): boolean {
  const template = document.createElement('template');
  // On this page's own origin, whose policy lets no script of the code run.
  template.innerHTML = code;
  if (template.content.querySelector('script')) return placeScript(slot, code);
  const fresh = template.content.querySelector(EMBEDS);
  const running = slot.querySelector(EMBEDS);
  const same = fresh !== null && running !== null && fresh.tagName === running.tagName && !running.hasAttribute('data-code');
  if (same && MAKES_ANOTHER.every((name) => fresh.getAttribute(name) === running.getAttribute(name))) {
    copyAttributes(fresh, running);
    return false;
  }
  slot.replaceChildren(template.content);
  return true;
}

/** Code with a script runs in a frame of its own, which has no origin and so nothing of ours to reach. */
function placeScript(slot: HTMLElement, code: string): boolean {
  const running = slot.querySelector('iframe');
  if (running?.dataset.code === code) return false;
  const frame = Object.assign(document.createElement('iframe'), { src: '/run', title: 'Code with a script' });
  frame.setAttribute('sandbox', 'allow-scripts allow-popups');
  frame.style.cssText = 'display:block;width:100%;height:320px;border:0';
  frame.dataset.code = code;
  frame.addEventListener('load', () => frame.contentWindow?.postMessage({ run: code }, '*'));
  slot.replaceChildren(frame);
  return true;
}

function copyAttributes(from: Element, to: Element): void {
  for (const name of to.getAttributeNames()) if (!from.hasAttribute(name)) to.removeAttribute(name);
  for (const name of from.getAttributeNames()) {
    const value = from.getAttribute(name)!;
    if (to.getAttribute(name) !== value) to.setAttribute(name, value);
  }
}
