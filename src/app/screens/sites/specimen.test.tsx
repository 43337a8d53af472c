import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { sites } from '../../../laws/world.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { Specimen } from './Specimen.tsx';

const [site] = sites;

test('the page of a site is shown in its colours, by day and by night, with its words', () => {
  renderIn(
    storeWith(VIDEO),
    <Specimen site={{ ...site!, light: { text: '#102030', ground: '#f0e0d0' }, words: { play: 'Watch' } }} />,
  );
  const [day, night] = screen.getAllByText(site!.sample.heading).map((heading) => heading.parentElement!.style);
  expect([day!.color, day!.background]).toEqual(['rgb(16, 32, 48)', 'rgb(240, 224, 208)']);
  expect(night!.color).not.toBe(day!.color);
  expect(screen.getAllByText('Watch')).toHaveLength(2);
});

test('a site that does not turn dark has one page, and a colour half typed does not break it', () => {
  renderIn(
    storeWith(VIDEO),
    <Specimen
      site={{
        ...site!,
        followsTheme: false,
        margin: NaN,
        column: NaN,
        space: { above: NaN, below: 9_999_999 },
        light: { text: '#1', ground: 'x' },
        palette: [{ name: 'a', colour: '#12' }],
      }}
    />,
  );
  expect(screen.getAllByText(site!.sample.heading)).toHaveLength(1);
});
