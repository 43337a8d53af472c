import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { changed } from '../../state/bench.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { renderIn, storeWith, SLIDES, VIDEO } from '../../testing/render.tsx';
import { Rail } from './Rail.tsx';

test('marks are moved by keys, held within the item, and at their own ends left to the host', async () => {
  const store = storeWith(VIDEO, { duration: 60 });
  store.dispatch(changed({ change: { start: 9 } }));
  const user = renderIn(store, <Rail />);
  const start = screen.getByRole('slider', { name: 'Start' });
  expect(start.getAttribute('aria-valuetext')).toBe('0:09');
  start.focus();
  await user.keyboard('{ArrowRight}{Shift>}{ArrowRight}{/Shift}');
  expect(selectEmbed(store.getState())!.settings.start).toBe(20);
  expect(start.getAttribute('aria-valuenow')).toBe('20');
  await user.keyboard('{Home}');
  expect(selectEmbed(store.getState())!.settings.start).toBeUndefined();
  const end = screen.getByRole('slider', { name: 'End' });
  end.focus();
  await user.keyboard('{ArrowLeft}');
  expect(selectEmbed(store.getState())!.settings.end).toBe(59);
  await user.keyboard('{End}');
  expect(selectEmbed(store.getState())!.settings.end).toBeUndefined();
});

test('a slideshow has its sheets for a rail', async () => {
  const store = storeWith(SLIDES, { pages: 12 });
  const user = renderIn(store, <Rail />);
  const mark = screen.getByRole('slider');
  mark.focus();
  await user.keyboard('{ArrowRight}{ArrowRight}');
  expect(selectEmbed(store.getState())!.settings.page).toBe(3);
  expect(mark.getAttribute('aria-valuetext')).toContain('3 of 12');
});
