import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { Divider } from './Divider.tsx';

test('the edge between page and code is moved by arrow keys and folded by Enter', async () => {
  const store = storeWith(VIDEO);
  const user = renderIn(store, <Divider />);
  const edge = screen.getByRole('separator');
  edge.focus();
  await user.keyboard('{ArrowLeft}');
  const { code, codeShown } = store.getState().view.layout;
  expect(code).toBeGreaterThan(0);
  expect(edge.getAttribute('aria-valuenow')).toBe(String(code));
  await user.keyboard('{Enter}');
  expect(store.getState().view.layout.codeShown).toBe(!codeShown);
  expect(edge.getAttribute('aria-valuenow')).toBe('0');
});
