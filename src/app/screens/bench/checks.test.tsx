import { screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { changed } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { Checks } from './Checks.tsx';

const rows = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('.finding')];

test('what would go wrong is told with its remedy, and one press ends it', async () => {
  const store = storeWith(VIDEO, { title: 'Sluice' });
  store.dispatch(changed({ change: { autoplay: 'on' } }));
  const user = renderIn(store, <Checks />);
  const loud = rows().find((row) => row.textContent.includes('Start muted'))!;
  await user.click(within(loud).getByRole('button', { name: 'Start muted' }));
  expect(selectEmbed(store.getState())!.settings.mute).toBe('on');
  expect(rows().some((row) => row.textContent.includes('Start muted'))).toBe(false);
});

test('while a pointer is over them, nothing moves from under it', async () => {
  const store = storeWith(`${VIDEO}?glow=1`, { title: 'Sluice' });
  const user = renderIn(store, <Checks />);
  const [first] = rows().map((row) => row.textContent);
  await user.pointer({ target: screen.getAllByRole('list')[0]! });
  store.dispatch(changed({ change: { autoplay: 'on', ratio: '4:3' } }));
  await screen.findByText(/4:3/);
  expect(rows()[0]!.textContent).toBe(first);
  await user.unhover(screen.getAllByRole('list')[0]!);
  expect(rows()[0]!.textContent).not.toBe(first);
});

test('it says how many hold, and which', () => {
  renderIn(storeWith(VIDEO, { title: 'Sluice' }), <Checks />);
  const [, holding, all] = /(\d+) of (\d+) passed/.exec(document.body.textContent)!.map(Number);
  expect(holding).toBe(all);
  expect(document.querySelectorAll('.holds li').length).toBe(holding);
});
