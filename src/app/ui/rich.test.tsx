import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { rich } from './rich.tsx';

test('tags of a sentence are drawn, and what stands in it is text', () => {
  render(
    <p>
      {rich('Open the <a>Bench</a> of {name}: <b>{count, plural, one {# embed} other {# embeds}}</b>.', {
        a: (inside) => <a href="/bench">{inside}</a>,
        b: (inside) => <strong>{inside}</strong>,
        name: '<img src=x>',
        count: 2,
      })}
    </p>,
  );
  expect(screen.getByRole('paragraph').textContent).toBe('Open the Bench of <img src=x>: 2 embeds.');
  expect(screen.getByRole('link', { name: 'Bench' }).getAttribute('href')).toBe('/bench');
  expect(screen.queryByRole('img')).toBeNull();
});
