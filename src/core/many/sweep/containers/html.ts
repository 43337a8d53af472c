import { asItIs, type Container } from './container.ts';

export const html: Container = {
  id: 'html',
  endings: ['html', 'htm', 'xhtml'],
  pieces: (text) => [asItIs(text)],
};
