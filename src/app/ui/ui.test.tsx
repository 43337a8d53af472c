import { act, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { COMMANDS } from '../commands/list.ts';
import { broughtIn } from '../state/bench.ts';
import { server } from '../state/server.ts';
import type { Store } from '../state/store.ts';
import { noticed, shortcutsShown, storageFound } from '../state/view.ts';
import { renderIn, storeWith, SOUND, VIDEO } from '../testing/render.tsx';
import { SETTINGS } from '../../core/known/settings/list.ts';
import { Banner } from './Banner.tsx';
import { DialogFrame } from './DialogFrame.tsx';
import { Navigation } from './Navigation.tsx';
import { SCREENS } from './screens.ts';
import { SettingPick } from './SettingPick.tsx';
import { Shortcuts } from './Shortcuts.tsx';

describe('navigation', () => {
  test('leads to every screen, and undoes only what can be undone', async () => {
    const store = storeWith(VIDEO);
    const user = renderIn(store, <Navigation />);
    const nav = within(screen.getByRole('navigation'));
    expect(nav.getAllByRole('link').map((link) => link.textContent)).toEqual([...SCREENS.map(({ name }) => name), 'Help']);
    expect(nav.getByRole<HTMLButtonElement>('button', { name: 'Redo' }).disabled).toBe(true);
    store.dispatch(broughtIn(SOUND));
    await user.click(nav.getByRole('button', { name: 'Undo' }));
    expect(store.getState().bench.present.text).toBe(VIDEO);
    await user.click(nav.getByRole('button', { name: 'Redo' }));
    expect(store.getState().bench.present.text).toBe(SOUND);
  });
});

describe('the banner', () => {
  /** Its words are loaded apart, and waited for. */
  async function show(store: Store): Promise<ReturnType<typeof renderIn>> {
    let user: ReturnType<typeof renderIn>;
    await act(async () => {
      user = renderIn(store, <Banner />);
      await import('./BannerWords.tsx');
    });
    return user!;
  }

  test('is not there while all is in order', () => {
    renderIn(storeWith(VIDEO), <Banner />);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test.each([
    ['full', /no room left/],
    ['missing', /keeps no data/],
    ['blocked', /Another window/],
    ['silent', /does not answer/],
  ] as const)('tells of a store that is %s', async (storage, words) => {
    const store = storeWith(VIDEO);
    store.dispatch(storageFound(storage));
    await show(store);
    expect(screen.getByRole('alert').textContent).toMatch(words);
  });

  test('tells that the server is gone, and goes when it is back', async () => {
    const store = storeWith(VIDEO);
    const answers = vi.spyOn(globalThis, 'fetch').mockRejectedValue(new TypeError('nobody there'));
    await store.dispatch(server.endpoints.health.initiate(undefined, { subscribe: false }));
    const user = await show(store);
    expect(screen.getByRole('alert').textContent).toContain('npm start');
    answers.mockImplementation(() => Promise.resolve(Response.json({ ok: true })));
    await user.click(screen.getByRole('button', { name: 'Look again' }));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    answers.mockRestore();
  });

  test('a notice stays until it is understood', async () => {
    const store = storeWith(VIDEO);
    store.dispatch(noticed('forked'));
    const user = await show(store);
    await user.click(screen.getByRole('button', { name: 'Understood' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

test('the list of shortcuts names every command with its keys', async () => {
  const store = storeWith(VIDEO);
  store.dispatch(shortcutsShown(true));
  const user = renderIn(store, <Shortcuts />);
  for (const { label } of COMMANDS) expect(screen.getByRole('rowheader', { name: label })).toBeDefined();
  await user.click(screen.getByRole('button', { name: 'Close' }));
  expect(store.getState().view.shortcuts).toBe(false);
});

test('a dialog is named by its title, and left by Close and by Escape', async () => {
  const close = vi.fn();
  const user = renderIn(
    storeWith(VIDEO),
    <DialogFrame title="Backup" close={close} actions={<button>Save</button>}>
      What it holds
    </DialogFrame>,
  );
  const dialog = within(screen.getByRole('dialog', { name: 'Backup' }));
  expect(dialog.getByRole('button', { name: 'Save' })).toBeDefined();
  await user.click(dialog.getByRole('button', { name: 'Close' }));
  await user.keyboard('{Escape}');
  expect(close).toHaveBeenCalledTimes(2);
});

describe('a setting picked away from the Bench', () => {
  test('the first option holds until another is chosen; a typed value that is none is told', async () => {
    const take = vi.fn();
    const user = renderIn(storeWith(VIDEO), <SettingPick possible={SETTINGS} words="Lay over" take={take} />);
    const press = () => user.click(screen.getByRole('button', { name: 'Lay over' }));
    await user.selectOptions(screen.getByRole('combobox', { name: 'Which setting' }), 'autoplay');
    await press();
    expect(take).toHaveBeenLastCalledWith('autoplay', 'on');
    await user.selectOptions(screen.getByRole('combobox', { name: 'Which setting' }), 'start');
    await user.type(screen.getByRole('textbox', { name: 'Its value' }), 'soon');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Lay over' }).disabled).toBe(true);
    expect(document.querySelector('.wrong')!.textContent).toContain('soon');
    await user.clear(screen.getByRole('textbox', { name: 'Its value' }));
    await user.type(screen.getByRole('textbox', { name: 'Its value' }), '0:42');
    await press();
    expect(take).toHaveBeenLastCalledWith('start', 42);
  });
});
