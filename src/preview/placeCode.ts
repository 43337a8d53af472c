/** Attributes whose change makes another player of it; all others are applied in place, without a reload. */
const MAKES_ANOTHER = ['src', 'srcdoc', 'allow', 'allowfullscreen', 'sandbox', 'referrerpolicy', 'name'];

/** Puts code into the slot, and keeps the running player where only size or surroundings changed. True when it loaded anew. */
export function placeCode(slot: HTMLElement, code: string): boolean {
  const template = document.createElement('template');
  // On this page's own origin, whose policy lets no script of the code run.
  template.innerHTML = code;
  const fresh = template.content.querySelector('iframe');
  const running = slot.querySelector('iframe');
  if (fresh && running && MAKES_ANOTHER.every((name) => fresh.getAttribute(name) === running.getAttribute(name))) {
    copyAttributes(fresh, running);
    return false;
  }
  slot.replaceChildren(template.content);
  return true;
}

function copyAttributes(from: Element, to: Element): void {
  for (const name of to.getAttributeNames()) if (!from.hasAttribute(name)) to.removeAttribute(name);
  for (const name of from.getAttributeNames()) {
    const value = from.getAttribute(name)!;
    if (to.getAttribute(name) !== value) to.setAttribute(name, value);
  }
}
