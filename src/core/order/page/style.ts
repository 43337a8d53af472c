/** The colours of a site, by day and by night. */
export interface PageColours {
  text: string;
  ground: string;
  accent: string;
}

const rules = (c: PageColours): string => `--t:${c.text};--g:${c.ground};--a:${c.accent}`;

/** The style of the page: it follows the width that it is given (CSS Containment 3, section 4), and stands without script as a list of links. */
export const styleOf = (light: PageColours, dark: PageColours | null, family: string): string =>
  `:root,:host{${rules(light)};background:var(--g);color-scheme:${dark === null ? 'light' : 'light dark'}}${dark === null ? '' : `@media(prefers-color-scheme:dark){:root,:host{${rules(dark)}}}`}` +
  `*{box-sizing:border-box}:host{display:block}body,:host{container-type:inline-size;margin:0;color:var(--t);font:15px/1.45 ${family}}` +
  `h1{font-size:1.25em;margin:0}h1 img{width:72px;height:72px;object-fit:cover;vertical-align:middle;margin-inline-end:12px}main{display:grid;gap:10px;padding:10px;max-width:1400px}` +
  `a{color:inherit}button,input{font:inherit;color:inherit;background:none;border:1px solid;border-radius:2px;min-height:44px;min-width:44px;padding:4px 12px}` +
  `button{cursor:pointer}:focus-visible{outline:3px solid var(--a);outline-offset:2px}[hidden]{display:none!important}` +
  `.stage{display:grid;min-height:96px;align-items:center;border:1px solid;overflow:hidden}.stage>*{grid-area:1/1;width:100%}` +
  `.stage iframe{border:0;display:block}.stage video{display:block;max-height:80vh;background:#000}` +
  `.press{min-height:96px;border:0;font-weight:600;font-size:1.1em}.press:before{content:"";display:inline-block;width:.7em;height:1em;margin-right:.7em;border:2px solid;border-left-width:5px;vertical-align:-.15em;transform:perspective(3em) rotateY(-38deg)}` +
  `.bar{display:flex;flex-wrap:wrap;gap:8px;align-items:center}.bar p{margin:0;flex:1 1 12em}` +
  `ol{list-style:none;margin:0;padding:0;max-height:70vh;overflow:auto}ol a{display:block;min-height:44px;padding:8px 10px;border-left:4px solid transparent;text-decoration:none;overflow-wrap:anywhere}` +
  `ol a:hover{text-decoration:underline}ol a[aria-current]{border-left-color:var(--a);font-weight:600}ol ul{list-style:none;margin:0;padding:0 0 0 14px}[type=checkbox]{min-height:0;min-width:0;width:20px;height:20px;margin:0;accent-color:var(--a)}.bar label{display:flex;align-items:center;gap:8px;min-height:44px}ol small,.bar small{display:block;font-weight:400;opacity:.8}ol audio,ol video{display:block;width:100%;max-width:480px}` +
  `.said{max-height:50vh;overflow:auto;line-height:1.7;position:relative}.said p{margin:0 0 .6em;content-visibility:auto;contain-intrinsic-size:auto 6em}.said a{text-decoration:none;border-radius:2px}.said a:hover{text-decoration:underline}` +
  `.said a.now{background:var(--a);color:var(--g)}.said a.hit{outline:2px solid var(--a)}.said b{display:block}` +
  `@container(min-width:720px){.beside{grid-template-columns:3fr 2fr}.beside>h1,.beside>.links{grid-column:1/-1}.beside>ol{grid-row:2/5;grid-column:2}}` +
  `.strip>ol{display:flex;gap:4px;overflow:auto}.strip>ol>li{flex:0 0 180px}.one>ol{display:none}` +
  `@media(prefers-reduced-motion:no-preference){.said,ol{scroll-behavior:smooth}}`;
