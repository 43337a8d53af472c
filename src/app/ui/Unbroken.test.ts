import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import { Unbroken } from './Unbroken.tsx';

const shown = (error: unknown, within: boolean): string => {
  const boundary = new Unbroken({ children: 'the screen', within });
  boundary.state = Unbroken.getDerivedStateFromError(error);
  return renderToStaticMarkup(boundary.render());
};

test('a screen that breaks says what happened, that all is kept, and the ways on, as text', () => {
  const page = shown(new Error('no <b>such</b> thing'), true);
  expect(page).toContain('This screen broke');
  expect(page).toContain('is kept in this browser');
  expect(page).toContain('no &lt;b&gt;such&lt;/b&gt; thing');
  expect(page).toContain('href="/shelf"');
  expect(shown('thrown', false)).toContain('No more is known.');
});

test('what does not break is shown', () => {
  expect(renderToStaticMarkup(new Unbroken({ children: 'the screen' }).render())).toBe('the screen');
});
