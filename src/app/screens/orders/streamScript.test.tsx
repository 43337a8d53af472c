import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { StreamScript } from './StreamScript.tsx';

test('the script for streams is taken from a web address alone, and given up with an empty field', async () => {
  const taken: (string | undefined)[] = [];
  const user = renderIn(storeWith(VIDEO), <StreamScript address={undefined} set={(address) => taken.push(address)} />);
  const field = screen.getByRole('textbox', { name: 'Address of the script for streams' });
  await user.click(field);
  await user.paste('javascript:alert(1)');
  expect(screen.getByText('This is no web address.')).toBeDefined();
  expect(taken).toEqual([]);
  await user.clear(field);
  await user.paste('https://site.example/stream-player.js');
  expect(screen.queryByText('This is no web address.')).toBeNull();
  expect(taken).toEqual([undefined, 'https://site.example/stream-player.js']);
});
