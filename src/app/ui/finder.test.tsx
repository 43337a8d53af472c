import { screen, waitFor } from '@testing-library/react';
import fc from 'fast-check';
import { useLocation } from 'react-router';
import { describe, expect, test } from 'vitest';
import { listenForShortcuts } from '../commands/shortcuts.ts';
import type { Store } from '../state/store.ts';
import { useAppSelector } from '../state/store.ts';
import { renderIn, storeWith, VIDEO } from '../testing/render.tsx';
import { bestMatches } from './bestMatches.ts';
import { Finder } from './Finder.tsx';

const Where = () => <output>{useLocation().pathname}</output>;
const Shown = () => (useAppSelector((state) => state.view.finder) ? <Finder /> : null);

function open(): { store: Store; user: ReturnType<typeof renderIn>; stop: () => void } {
  const store = storeWith(VIDEO);
  const stop = listenForShortcuts(store);
  const user = renderIn(
    store,
    <>
      <input aria-label="Share link" data-paste-line />
      <button>Elsewhere</button>
      <Where />
      <Shown />
    </>,
  );
  return { store, user, stop };
}

describe('finding anything', () => {
  test('opens by its keys even where somebody types, and leads to a screen', async () => {
    const { store, user, stop } = open();
    await user.click(screen.getByRole('textbox', { name: 'Share link' }));
    await user.keyboard('{Control>}k{/Control}');
    await user.type(await screen.findByRole('combobox', { name: 'Find anything' }), 'sites{Enter}');
    expect(await screen.findByText('/sites')).toBeDefined();
    expect(store.getState().view.finder).toBe(false);
    stop();
  });

  test('does what a command does, and opens a setting on the Bench', async () => {
    const { store, user, stop } = open();
    const find = async (typed: string): Promise<void> => {
      await user.keyboard('{Control>}k{/Control}');
      await user.type(await screen.findByRole('combobox', { name: 'Find anything' }), `${typed}{Enter}`);
      await waitFor(() => expect(store.getState().view.finder).toBe(false));
    };
    const theme = store.getState().view.theme;
    await find('theme');
    await waitFor(() => expect(store.getState().view.theme).not.toBe(theme));
    await find('start time');
    await waitFor(() => expect(store.getState().view.open).toBe('start'));
    stop();
  });

  test('is a dialog of that name, and a command that moves the focus keeps it', async () => {
    const { user, stop } = open();
    await user.click(screen.getByRole('button', { name: 'Elsewhere' }));
    await user.keyboard('{Control>}k{/Control}');
    expect(await screen.findByRole('dialog', { name: 'Find anything' })).toBeDefined();
    await user.type(screen.getByRole('combobox', { name: 'Find anything' }), 'paste line{Enter}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('textbox', { name: 'Share link' })));
    stop();
  });

  test('a host is found by its name, and by its address', async () => {
    const { user, stop } = open();
    await user.keyboard('{Control>}k{/Control}');
    await user.type(await screen.findByRole('combobox', { name: 'Find anything' }), 'lanternreel.localhost{Enter}');
    expect(await screen.findByText('/hosts/lanternreel')).toBeDefined();
    stop();
  });
});

test('what is found is of what there is, and a name in full finds nothing but those of that name', () => {
  const option = fc.record({ id: fc.string(), group: fc.string(), label: fc.string({ minLength: 1 }), words: fc.string() });
  fc.assert(
    fc.property(fc.array(option), fc.nat(), fc.string(), (options, at, typed) => {
      for (const found of bestMatches(options, typed)) expect(options).toContain(found);
      const one = options[at % Math.max(1, options.length)];
      if (!one || one.label.trim() === '') return;
      const wanted = one.label.trim().toLowerCase();
      const found = bestMatches(options, one.label);
      if (one.label.toLowerCase() === wanted) expect(found.every(({ label }) => label.toLowerCase() === wanted)).toBe(true);
      expect(found.length).toBeGreaterThan(0);
    }),
  );
});
