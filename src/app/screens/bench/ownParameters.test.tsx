import { act, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { expect, test } from 'vitest';
import { textReplaced } from '../../state/bench.ts';
import { renderIn, storeWith } from '../../testing/render.tsx';
import { selectItem } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { OwnParameters } from './OwnParameters.tsx';

const code = (skin: string): string => `<iframe src="https://media.example/play/1?skin=${skin}" title="Sluice"></iframe>`;
const field = (): HTMLInputElement => screen.getByRole<HTMLInputElement>('textbox', { name: 'skin' });

const Shown = (): ReactElement => <OwnParameters item={useAppSelector(selectItem)!} />;

test('a parameter of an unknown host is set in the code when its field is left, and follows the code', async () => {
  const store = storeWith(code('dark'));
  const user = renderIn(store, <Shown />);
  await user.clear(field());
  await user.type(field(), 'light{enter}');
  expect(store.getState().bench.present.text).toBe(code('light'));
  expect(field().value).toBe('light');
  act(() => void store.dispatch(textReplaced(code('sepia'))));
  expect(field().value).toBe('sepia');
});
