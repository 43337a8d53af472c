import { screen } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { playerReported } from '../../state/view.ts';
import { ValueField } from './ValueField.tsx';

const given = (id: Parameters<typeof ValueField>[0]['id'], value?: Parameters<typeof ValueField>[0]['value']) => ({
  id,
  value,
  set: vi.fn(),
  close: vi.fn(),
});

describe('the field of a value', () => {
  test('a switch and a choice are one press each; what is chosen shows', async () => {
    const autoplay = given('autoplay', 'on');
    const user = renderIn(storeWith(VIDEO), <ValueField {...autoplay} />);
    expect(screen.getByRole('button', { pressed: true }).textContent).toBe('on');
    await user.click(screen.getByRole('button', { pressed: false }));
    expect(autoplay.set).toHaveBeenCalledExactlyOnceWith('off');
    // Pressing what is chosen already takes nothing back.
    await user.click(screen.getByRole('button', { pressed: true }));
    expect(autoplay.set).toHaveBeenCalledTimes(1);
  });

  test('a time is typed as people write it, and taken with Enter', async () => {
    const start = given('start', 9);
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    const field = screen.getByRole<HTMLInputElement>('textbox');
    expect(field.value).toBe('0:09');
    await user.clear(field);
    await user.type(field, '1:30{Enter}');
    expect(start.set).toHaveBeenCalledExactlyOnceWith(90);
    expect(start.close).toHaveBeenCalledTimes(1);
  });

  test('what is no value of the setting is told, and neither taken nor left', async () => {
    const start = given('start');
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    const field = screen.getByRole<HTMLInputElement>('textbox');
    await user.type(field, 'soon{Enter}');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(document.body.textContent).toContain('soon');
    expect(start.set).not.toHaveBeenCalled();
    expect(start.close).not.toHaveBeenCalled();
  });

  test('an unchanged value is no change', async () => {
    const start = given('start', 9);
    const user = renderIn(storeWith(VIDEO), <ValueField {...start} />);
    await user.type(screen.getByRole('textbox'), '{Enter}');
    expect(start.set).not.toHaveBeenCalled();
    expect(start.close).toHaveBeenCalled();
  });

  test('the second at which the preview stands is offered', async () => {
    const store = storeWith(VIDEO);
    store.dispatch(playerReported({ event: 'time', time: 42.7 }));
    const start = given('start');
    const user = renderIn(store, <ValueField {...start} />);
    await user.click(screen.getByRole('button', { name: /where the preview stands: 0:42/ }));
    expect(start.set).toHaveBeenCalledExactlyOnceWith(42);
  });

  test('the colours of the site are offered by their names', async () => {
    const accent = given('accent');
    const user = renderIn(storeWith(VIDEO), <ValueField {...accent} />);
    const offers = screen.getAllByRole('button');
    expect(offers.length).toBeGreaterThan(1);
    await user.click(offers[0]!);
    expect(accent.set).toHaveBeenCalledExactlyOnceWith(expect.stringMatching(/^#[0-9a-f]{6}$/));
  });
});
