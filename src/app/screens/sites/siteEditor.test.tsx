import { screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { sites } from '../../../laws/world.ts';
import { removeSite } from '../../state/removing.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { SiteEditor } from './SiteEditor.tsx';

test('a site keeps what is right by itself, tells what is wrong at its place, and takes a change back', async () => {
  const store = storeWith(VIDEO);
  const [site] = sites;
  const user = renderIn(store, <SiteEditor site={site!} />);
  const own = () => store.getState().world.ownSites.find(({ id }) => id === site!.id);
  const name = screen.getByRole('textbox', { name: 'Name' });
  await user.type(name, ' North');
  await waitFor(() => expect(own()?.name).toBe(`${site!.name} North`));
  const column = screen.getByRole('spinbutton', { name: /^Column/ });
  await user.clear(column);
  expect(column.getAttribute('aria-invalid')).toBe('true');
  expect(screen.getAllByRole('status')[0]!.textContent).toMatch(/^Not kept/);
  expect(own()?.column).toBe(site!.column);
  await user.type(column, '640');
  await waitFor(() => expect(own()?.column).toBe(640));
  await user.click(screen.getByRole('button', { name: 'Undo the last change' }));
  await waitFor(() => expect(own()?.column).toBe(site!.column));
  await removeSite(store, site!);
});
