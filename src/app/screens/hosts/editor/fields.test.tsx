import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../../../testing/render.tsx';
import { DraftField } from './DraftField.tsx';
import { RowEnds } from './RowEnds.tsx';

test('what a card cannot say stands in the field with why, and is gone when it is left', async () => {
  const change = vi.fn((text: string) => (text.includes(' ') ? 'No spaces.' : null));
  const user = renderIn(storeWith(VIDEO), <DraftField label="Id" value="mill" change={change} />);
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Id' });
  await user.type(field, ' x');
  expect(field.value).toBe('mill x');
  expect(field.getAttribute('aria-invalid')).toBe('true');
  const told = document.getElementById(field.getAttribute('aria-describedby')!)!;
  expect(told.textContent).toBe('No spaces.');
  await user.tab();
  expect(field.value).toBe('mill');
  expect(field.getAttribute('aria-invalid')).toBe('false');
});

test('rows name what they remove', async () => {
  const [remove, add] = [vi.fn(), vi.fn()];
  const user = renderIn(storeWith(VIDEO), <RowEnds what="the origin https://media.example" remove={remove} add={add} />);
  await user.click(screen.getByRole('button', { name: 'Remove the origin https://media.example' }));
  expect([remove.mock.calls.length, add.mock.calls.length]).toEqual([1, 0]);
});
