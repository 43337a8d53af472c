import { screen, waitFor } from '@testing-library/react';
import { Link, useLocation } from 'react-router';
import { expect, test } from 'vitest';
import { SETTINGS } from '../../../core/known/settings/list.ts';
import { CHECKS } from '../../../core/steps/check/checks/list.ts';
import { FORMS } from '../../../core/steps/write/forms/list.ts';
import { renderIn, storeWith, VIDEO } from '../../testing/render.tsx';
import { TOUR } from '../../ui/screens.ts';
import { Tour } from '../../ui/Tour.tsx';
import { Help } from './Help.tsx';

test('every setting, check and code type is explained, and found by any word of it', async () => {
  const user = renderIn(storeWith(VIDEO), <Help />);
  expect(screen.getAllByRole('term').length).toBeGreaterThanOrEqual(SETTINGS.length + CHECKS.length + FORMS.length);
  const field = screen.getByRole('searchbox', { name: 'Search the help' });
  await user.type(field, 'announced readers');
  await waitFor(() =>
    expect(screen.getAllByRole('term').map(({ textContent }) => textContent)).toEqual(['The frame has a titleWarning']),
  );
  await user.clear(field);
  await user.type(field, 'zzz');
  await screen.findByText('Nothing is explained by these words. Try another one.');
});

/** The Bench, as far as the tour stops there. */
function Bench() {
  const { hash } = useLocation();
  return (
    <>
      <input id="paste" />
      <div className="stage" />
      {hash === TOUR ? <Tour /> : <Link to={TOUR}>Show me around</Link>}
    </>
  );
}

test('the tour goes on, and back, and is left at any stop', async () => {
  const user = renderIn(storeWith(VIDEO), <Bench />);
  await user.click(screen.getByRole('link'));
  await screen.findByText('Stop 1 of 5');
  await user.keyboard('{Enter}');
  await screen.findByText('See it in your page');
  await user.click(screen.getByRole('button', { name: 'Back' }));
  await screen.findByText('Bring it in');
  await user.keyboard('{Escape}');
  expect(await screen.findByRole('link')).toBeDefined();
});
