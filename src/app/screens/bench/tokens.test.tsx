import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { changed } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { settingsListed } from '../../state/view.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { FINDER_BUTTON } from './finderButton.ts';
import { SettingFinder } from './SettingFinder.tsx';
import { Token } from './Token.tsx';
import { TokenEditor } from './TokenEditor.tsx';

const settingsOf = (store: ReturnType<typeof storeWith>) => selectEmbed(store.getState())!.settings;

describe('a token', () => {
  test('says what is set, opens its editor, and follows what is chosen there', async () => {
    const store = storeWith(VIDEO);
    const user = renderIn(
      store,
      <>
        <button id={FINDER_BUTTON} />
        <Token id="mute" />
        <TokenEditor />
      </>,
    );
    const token = () => document.getElementById('token-mute')!;
    const before = token().textContent;
    await user.click(token());
    expect(token().getAttribute('aria-expanded')).toBe('true');
    const editor = within(screen.getByRole('dialog'));
    await user.click(editor.getByRole('button', { name: 'on' }));
    expect(settingsOf(store).mute).toBe('on');
    expect(token().textContent).not.toBe(before);
    await user.click(editor.getByRole('button', { name: 'Reset' }));
    expect(settingsOf(store).mute).toBeUndefined();
    await user.click(editor.getByRole('button', { name: 'Done' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  test('that the code type cannot carry offers the one that can', async () => {
    const store = storeWith(VIDEO);
    const user = renderIn(
      store,
      <>
        <Token id="load" />
        <TokenEditor />
      </>,
    );
    await user.click(document.getElementById('token-load')!);
    const editor = within(screen.getByRole('dialog'));
    await user.click(editor.getByRole('button', { name: 'On request' }));
    await user.click(editor.getByRole('button', { name: 'Use “Cover, without script”' }));
    expect(selectEmbed(store.getState())!.code.form).toBe('cover');
    expect(editor.queryByRole('button', { name: /^Use “/ })).toBeNull();
  });

  test('is pressed while the editor of another is open; muted autoplay is set and taken back in one press', async () => {
    const store = storeWith(VIDEO);
    const user = renderIn(
      store,
      <>
        <button id={FINDER_BUTTON} />
        <Token id="start" />
        <Token id="autoplay" />
        <TokenEditor />
      </>,
    );
    const token = (id: string) => document.getElementById(`token-${id}`)!;
    // The window is looked at all the while, which this document knows only between two presses.
    vi.spyOn(document, 'hasFocus').mockReturnValue(true);
    await user.click(token('start'));
    await user.type(screen.getByRole('textbox'), '0:42');
    await user.click(token('autoplay'));
    // What was typed is taken by whoever goes on.
    expect(settingsOf(store).start).toBe(42);
    const option = (name: string) => within(screen.getByRole('dialog', { name: 'Autoplay' })).getByRole('button', { name });
    await user.click(option('on, muted'));
    expect(settingsOf(store)).toMatchObject({ autoplay: 'on', mute: 'on' });
    expect(option('on, muted').getAttribute('aria-pressed')).toBe('true');
    await user.click(option('off'));
    expect([settingsOf(store).autoplay, settingsOf(store).mute]).toEqual(['off', undefined]);
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    await user.click(token('start'));
    await user.click(token('start'));
    expect(screen.queryByRole('dialog')).toBeNull();
    vi.restoreAllMocks();
  });

  test('tells in words where the host does not do it', () => {
    const store = storeWith(VIDEO);
    store.dispatch(changed({ change: { zoom: 5 } }));
    renderIn(store, <Token id="zoom" />);
    expect(screen.getByRole('button').querySelector('small')?.textContent).toMatch(/\w{3}/);
  });
});

describe('finding a setting', () => {
  const open = (): { store: ReturnType<typeof storeWith>; user: ReturnType<typeof renderIn> } => {
    const store = storeWith(VIDEO);
    store.dispatch(settingsListed('all'));
    const user = renderIn(
      store,
      <>
        <button id={FINDER_BUTTON} />
        <SettingFinder />
      </>,
    );
    return { store, user };
  };

  test('its name alone comes first, and Enter opens it', async () => {
    const { store, user } = open();
    await user.type(screen.getByRole('combobox'), 'start time{Enter}');
    expect(store.getState().view.open).toBe('start');
  });

  test('words of its help find it as well; other words find nothing, and say so', async () => {
    const { user } = open();
    await user.type(screen.getByRole('combobox'), 'without sound');
    expect(screen.getAllByRole('option').length).toBeGreaterThan(0);
    await user.type(screen.getByRole('combobox'), ' xylophone');
    expect(screen.queryAllByRole('option')).toEqual([]);
    expect(screen.getByText('No setting has that name.')).toBeDefined();
  });
});
