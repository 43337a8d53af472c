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

/** Puts code into the slot, and keeps the running player where only size or context changed. True when it loaded anew. */
export function placeCode(slot: HTMLElement, code: string): boolean {
  const template = document.createElement('template');
  // On this page's own origin, whose policy lets no script of the code run.
  template.innerHTML = code;
  // What leads a page elsewhere, or changes its addresses, would take the preview away.
  for (const one of template.content.querySelectorAll('meta, base')) one.remove();
  if (template.content.querySelector(RUNS)) return placeScript(slot, code);
  const fresh = template.content.querySelector(EMBEDS);
  const running = slot.querySelector(EMBEDS);
  const same = fresh !== null && running !== null && fresh.tagName === running.tagName && !running.hasAttribute('data-code');
  if (same && MAKES_ANOTHER.every((name) => fresh.getAttribute(name) === running.getAttribute(name))) {
    copyAttributes(fresh, running);
    return !surround(slot, template.content, { fresh, running });
  }
  slot.replaceChildren(template.content);
  return true;
}

/** Scripts that run; data in a script element (HTML, section 4.12.1) does not. */
const RUNS = 'script:not([type="application/ld+json"])';

/** Browsers that can move a frame without loading it anew have this (DOM, section 4.2.3, “move”). */
type Mover = Element & { moveBefore?: (node: Node, before: Node | null) => void };

/** Lays what stands around the embed anew, with the running player in it. False where the browser must load it again. */
function surround(
  slot: HTMLElement,
  content: DocumentFragment,
  { fresh, running }: { fresh: Element; running: Element },
): boolean {
  const around = shapeOf(content, fresh);
  if (around === shapeOf(slot, running)) return true;
  const place = fresh.parentNode === content ? slot : (fresh.parentElement as Mover);
  const old = [...slot.childNodes];
  const marker = document.createComment('');
  fresh.replaceWith(marker);
  slot.append(content);
  const mover = place;
  if (mover.moveBefore) mover.moveBefore(running, marker);
  else marker.after(running);
  marker.remove();
  for (const node of old) if (node !== running) node.remove();
  return mover.moveBefore !== undefined;
}

/** The markup around the player, without the player. */
function shapeOf(root: ParentNode, player: Element): string {
  const holder = document.createElement('div');
  holder.append(...[...root.childNodes].map((node) => node.cloneNode(true)));
  const index = [...root.querySelectorAll(EMBEDS)].indexOf(player);
  holder.querySelectorAll(EMBEDS)[index]?.replaceWith(document.createComment('player'));
  return holder.innerHTML;
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
