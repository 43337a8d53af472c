const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  // HTML, section 13.2.3.5: it would become this sign in any case.
  '\u0000': '\ufffd',
};

/** A text for where HTML takes text, or a value between double quotes (HTML, sections 13.1.2.3 and 13.1.3). */
export const escapeHtml = (text: string): string =>
  /[&<>"\u0000]/.test(text) ? text.replace(/[&<>"\u0000]/g, (sign) => ESCAPES[sign]!) : text;
