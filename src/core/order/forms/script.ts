import { escapeHtml } from '../../model/markup/escape.ts';
import { ALLOW, defineOrderForm, frameStyle, frameTitle, HEIGHTS } from './form.ts';

/** Pixels before it comes into sight at which it is loaded. */
const NEAR = '200px';
/** A text within a script element, which nothing in it can end (HTML, section 4.12.1.3). */
const quoted = (text: string): string => JSON.stringify(text).replaceAll('<', '\\u003c');

/** Links in the place of the page, which a script lays there when a visitor comes near. */
export const script = defineOrderForm({
  id: 'script',
  scripted: true,
  hashed: false,
  write: (order, { html }) => {
    const links = order.entries.map(
      ({ title, address, page }) => `<li><a href="${escapeHtml(page ?? address)}">${escapeHtml(title || address)}</a></li>`,
    );
    const made = `{title:${quoted(frameTitle(order))},allow:${quoted(ALLOW)},allowFullscreen:true,srcdoc:${quoted(html)}}`;
    return (
      `<div style="min-height:${HEIGHTS[order.layout]}px"><ol>${links.join('')}</ol></div>\n` +
      `<script>(p=>new IntersectionObserver((e,o)=>{if(!e.some(x=>x.isIntersecting))return;o.disconnect();` +
      `let f=Object.assign(document.createElement("iframe"),${made});f.style.cssText=${quoted(frameStyle(order))};` +
      `p.replaceChildren(f)},{rootMargin:"${NEAR}"}).observe(p))(document.currentScript.previousElementSibling)</script>`
    );
  },
});
