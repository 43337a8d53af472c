import type { Measures } from '../core/known/sites/measures.ts';

/** Widths at which a saved page is looked at. */
const DESKTOP = 1280;
const PHONE = 390;
/** Nothing of a saved page runs or is loaded: only its own text and styles count. */
const POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:";

/** Lays a saved page out, with its style sheets, and measures what a site consists of. */
export async function measurePage(html: string, styles: readonly string[]): Promise<Measures> {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', 'allow-same-origin');
  frame.style.cssText = `position:absolute;visibility:hidden;border:0;width:${DESKTOP}px;height:900px`;
  const sheets = styles.map((css) => `<style>${css.replaceAll('</', '<\\/')}</style>`).join('');
  frame.srcdoc = `<!doctype html><meta http-equiv="Content-Security-Policy" content="${POLICY}">${sheets}${html}`;
  const loaded = new Promise((done) => frame.addEventListener('load', done, { once: true }));
  document.body.append(frame);
  await loaded;
  const measures = measure(frame);
  frame.remove();
  return measures;
}

function measure(frame: HTMLIFrameElement): Measures {
  const page = frame.contentDocument!;
  const texts = bodyText(page);
  const [first] = texts;
  const meta = (name: string): string | null => page.querySelector(`meta[property="${name}"]`)?.getAttribute('content') ?? null;
  const light = looksAt(first ?? page.body);
  const { fontFamily, fontSize } = styleOf(first ?? page.body);
  const measures = {
    title: meta('og:site_name') ?? page.title.split(/\s[|–—·-]\s/).at(-1)!,
    language: page.documentElement.lang,
    address: page.querySelector<HTMLLinkElement>('link[rel="canonical"]')?.href ?? meta('og:url') ?? savedFrom(page) ?? '',
    column: first ? Math.max(...texts.map((text) => text.getBoundingClientRect().width)) : null,
    serif: !/sans-serif|system-ui|monospace/.test(fontFamily),
    size: parseFloat(fontSize),
    light,
    colours: coloursOf(page),
    sample: {
      heading: page.querySelector('h1, h2')?.textContent ?? '',
      before: first?.textContent ?? '',
      after: texts[1]?.textContent ?? '',
    },
  };
  frame.style.width = `${PHONE}px`;
  const margin = first ? first.getBoundingClientRect().left : 0;
  frame.style.width = `${DESKTOP}px`;
  const dark = turnDark(page) ? looksAt(first ?? page.body) : null;
  return { ...measures, margin, dark };
}

const styleOf = (element: Element): CSSStyleDeclaration => element.ownerDocument.defaultView!.getComputedStyle(element);

/** The paragraphs of the element that holds most text in paragraphs. */
function bodyText(page: Document): HTMLElement[] {
  const byParent = new Map<Element, HTMLElement[]>();
  for (const text of page.querySelectorAll<HTMLElement>('p'))
    if (text.textContent.trim() !== '' && text.getBoundingClientRect().width > 0)
      byParent.set(text.parentElement!, [...(byParent.get(text.parentElement!) ?? []), text]);
  const length = (texts: readonly HTMLElement[]): number => texts.reduce((sum, text) => sum + text.textContent.length, 0);
  return [...byParent.values()].reduce((best, texts) => (length(texts) > length(best) ? texts : best), []);
}

function looksAt(element: Element): { text: string; ground: string } {
  let ground = '#ffffff';
  for (let at: Element | null = element; at; at = at.parentElement) {
    const found = hex(styleOf(at).backgroundColor);
    if (found) {
      ground = found;
      break;
    }
  }
  return { text: hex(styleOf(element).color) ?? '#000000', ground };
}

/** `#rrggbb` of a computed colour (CSS Color 4, section 15.2); nothing for what can be seen through. */
function hex(computed: string): string | null {
  const [, red, green, blue, alpha] = /^rgba?\((\d+), (\d+), (\d+)(?:, ([\d.]+))?\)$/.exec(computed) ?? [];
  if (red === undefined || Number(alpha ?? 1) < 0.5) return null;
  return `#${[red, green, blue].map((part) => Number(part).toString(16).padStart(2, '0')).join('')}`;
}

function rulesOf(page: Document): CSSRule[] {
  const within = (rules: CSSRuleList): CSSRule[] =>
    [...rules].flatMap((rule) => [rule, ...('cssRules' in rule ? within(rule.cssRules as CSSRuleList) : [])]);
  // Those that the page refers to were not loaded, and may not be read (CSSOM, section 6.2).
  return [...page.styleSheets].filter(({ href }) => href === null).flatMap((sheet) => within(sheet.cssRules));
}

/** Lets the rules for visitors who want it dark hold (Media Queries 5, section 11.5); false where there are none. */
function turnDark(page: Document): boolean {
  let turned = false;
  for (const rule of rulesOf(page)) {
    const { media } = rule as CSSMediaRule;
    if (!media || !/prefers-color-scheme:\s*dark/.test(media.mediaText)) continue;
    media.mediaText = 'all';
    turned = true;
  }
  return turned;
}

/** Colours that have a name in the style sheets of the page, and that of its links. */
function coloursOf(page: Document): Measures['colours'] {
  const names = new Set(
    rulesOf(page).flatMap((rule) =>
      'style' in rule ? [...(rule.style as CSSStyleDeclaration)].filter((name) => name.startsWith('--')) : [],
    ),
  );
  const probe = page.createElement('i');
  page.body.append(probe);
  const named = [...names].flatMap((name) => {
    probe.style.color = 'transparent';
    probe.style.color = `var(${name})`;
    const value = styleOf(page.documentElement).getPropertyValue(name).trim();
    const colour = CSS.supports('color', value) ? hex(styleOf(probe).color) : null;
    return colour ? [{ name: name.replace(/^-+/, '').replaceAll(/[-_]+/g, ' '), colour }] : [];
  });
  probe.remove();
  const link = page.querySelector('p a[href]');
  const linked = link && hex(styleOf(link).color);
  return [...named, ...(linked ? [{ name: 'links', colour: linked }] : [])];
}

/** Browsers write where a page was saved from into its first comment. */
const savedFrom = (page: Document): string | null =>
  [...page.childNodes].map((node) => /saved from url=\(\d+\)(\S+)/.exec(node.textContent ?? '')?.[1]).find(Boolean) ?? null;
