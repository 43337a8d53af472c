import { linkAddress } from '../address.ts';
import { defineForm } from '../form.ts';
import type { Piece } from '../tree.ts';

export const markdown = defineForm({
  id: 'markdown',
  label: 'Markdown',
  help: 'A link with its title, behind the cover picture where that has an address of its own.',
  language: 'text',
  carries: 'item',
  frameless: true,
  cover: 'picture',
  file: { ending: 'md', type: 'text/markdown' },
  write: ({ plan, facts }) => {
    const title = String(plan.frame.title ?? facts.title ?? '').trim();
    const { cover } = plan.frame;
    const address = linkAddress(plan).map((piece) => ({ ...piece, text: escapeAddress(piece.text) }));
    // An autolink (CommonMark 0.31, section 6.5).
    if (title === '') return [{ pieces: [{ text: '<' }, ...address, { text: '>' }] }];
    const words: Piece = { text: escapeMarkdown(title), ...(plan.frame.title !== undefined && { origin: 'title' as const }) };
    const shown: Piece[] =
      typeof cover === 'string' && cover.startsWith('http')
        ? [{ text: '![' }, words, { text: '](' }, { text: escapeAddress(cover), origin: 'cover' }, { text: ')' }]
        : [words];
    return [{ pieces: [{ text: '[' }, ...shown, { text: '](' }, ...address, { text: ')' }] }];
  },
});

/** CommonMark 0.31, section 6.1 and 2.4: what would be markup is written with a backslash; lines become spaces. */
const escapeMarkdown = (text: string): string => text.replace(/\s+/g, ' ').replace(/[\\[\]()*_`<>&!#]/g, '\\$&');

/** In a link destination parentheses must balance (CommonMark 0.31, section 6.3). */
const escapeAddress = (text: string): string =>
  text.replace(/[()<>\s]/g, (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`);
