import { screen } from '@testing-library/react';
import { useState, type ReactElement } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { renderIn, storeWith, VIDEO } from '../testing/render.tsx';
import { ChoiceField } from './ChoiceField.tsx';
import { ColourField, Contrast } from './ColourField.tsx';
import { DateField } from './DateField.tsx';
import { FileButton, TextFileButton } from './FileButton.tsx';
import { NumberField } from './NumberField.tsx';
import { SearchField } from './SearchField.tsx';
import { Tick } from './Tick.tsx';
import { TimeField } from './TimeField.tsx';
import { WordsField } from './WordsField.tsx';

const show = (field: ReactElement): ReturnType<typeof renderIn> => renderIn(storeWith(VIDEO), field);

/** A field with a value that follows what it gives, as on a screen. */
function Held<Value>({ first, field }: { first: Value; field: (value: Value, set: (value: Value) => void) => ReactElement }) {
  const [value, set] = useState(first);
  return field(value, set);
}

const box = (name: string): HTMLInputElement => screen.getByRole<HTMLInputElement>('textbox', { name });

describe('a text', () => {
  test('is known by its label, and tells what is wrong with it', () => {
    show(<WordsField label="Name" value="" set={vi.fn()} wrong="a name has letters" />);
    expect(box('Name').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText('a name has letters').id).toBe(box('Name').getAttribute('aria-describedby'));
  });

  test('of several lines is typed as it is; a hidden label is heard', async () => {
    const user = show(
      <Held first="" field={(text, set) => <WordsField label="Code" labelled="hidden" lines={3} value={text} set={set} />} />,
    );
    await user.type(box('Code'), 'one{enter}two');
    expect(box('Code').value).toBe('one\ntwo');
  });

  test('that is searched has the role of a search', async () => {
    const set = vi.fn();
    const user = show(<SearchField label="Search the Shelf" value="" set={set} />);
    await user.type(screen.getByRole('searchbox', { name: 'Search the Shelf' }), 'm');
    expect(set).toHaveBeenCalledExactlyOnceWith('m');
  });
});

test('a number has its unit beside it and none in its name; nothing is no number', async () => {
  const set = vi.fn();
  const user = show(<NumberField label="Column" unit="px" value={720} set={set} least={1} most={2000} />);
  const field = screen.getByRole<HTMLInputElement>('spinbutton', { name: 'Column' });
  expect([field.min, field.max, screen.getByText('px').tagName]).toEqual(['1', '2000', 'SMALL']);
  await user.clear(field);
  expect(set).toHaveBeenLastCalledWith(NaN);
});

test('a time is taken as it is written; what is none is told, and forgotten when the field is left', async () => {
  const set = vi.fn();
  const user = show(<TimeField label="from" name="Entry 1 from" value={72} set={set} />);
  expect(box('Entry 1 from').value).toBe('1:12');
  await user.clear(box('Entry 1 from'));
  expect(set).toHaveBeenLastCalledWith(undefined);
  await user.type(box('Entry 1 from'), '1:10x');
  expect(set).toHaveBeenLastCalledWith(70);
  expect(screen.getByText(/a time such as/)).toBeDefined();
  await user.tab();
  expect(box('Entry 1 from').value).toBe('1:12');
});

describe('a colour', () => {
  const palette = [{ name: 'Sluice green', colour: '#2f6f5f' }];

  test('is taken in any way that CSS writes one; what is none is told, and not taken', async () => {
    const set = vi.fn();
    const user = show(<ColourField label="Accent" value="#000000" set={set} />);
    await user.clear(box('Accent'));
    await user.type(box('Accent'), 'reddish');
    expect(set.mock.calls).toEqual([['#ff0000']]);
    expect(screen.getByText(/a colour, such as/)).toBeDefined();
    await user.clear(box('Accent'));
    await user.paste('rgb(31 95 79)');
    expect(set).toHaveBeenLastCalledWith('#1f5f4f');
  });

  test('of the site is one press away, and says that it is taken', async () => {
    const user = show(
      <Held first="#000000" field={(colour, set) => <ColourField label="Accent" value={colour} set={set} palette={palette} />} />,
    );
    await user.click(screen.getByRole('button', { name: 'Sluice green', pressed: false }));
    expect(box('Accent').value).toBe('#2f6f5f');
    expect(screen.getByRole('button', { name: 'Sluice green', pressed: true })).toBeDefined();
  });

  test('has its contrast in figures and in a word', () => {
    show(
      <>
        <Contrast one="#000000" other="#ffffff" least={4.5} />
        <Contrast one="#eeeeee" other="#ffffff" least={4.5} />
        <Contrast one="#12" other="#ffffff" least={4.5} />
      </>,
    );
    expect([...document.querySelectorAll('.contrast')].map(({ textContent }) => textContent)).toEqual([
      '21.00 enough',
      '1.16 under 4.5',
      'no colour',
    ]);
  });
});

test('a choice shows words and gives what they stand for; what is closed cannot be chosen', async () => {
  const set = vi.fn();
  const user = show(
    <ChoiceField
      label="Load"
      value="near"
      options={[
        ['near', 'when somebody comes near'],
        ['all', 'with the page'],
        ['none', 'never', true],
      ]}
      set={set}
    />,
  );
  await user.selectOptions(screen.getByRole('combobox', { name: 'Load' }), 'with the page');
  expect(set).toHaveBeenCalledExactlyOnceWith('all');
  expect(screen.getByRole<HTMLOptionElement>('option', { name: 'never' }).disabled).toBe(true);
});

test('a day is taken when it is one', async () => {
  const set = vi.fn();
  const user = show(<DateField label="from" value="" set={set} />);
  await user.type(screen.getByLabelText('from'), '2027-01-11');
  expect(set).toHaveBeenLastCalledWith('2027-01-11');
});

test('a tick is pressed by its words, and by the keyboard', async () => {
  const user = show(<Held first={false} field={(on, set) => <Tick label="by site" on={on} set={set} />} />);
  await user.click(screen.getByText('by site'));
  expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'by site' }).checked).toBe(true);
  await user.keyboard(' ');
  expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'by site' }).checked).toBe(false);
});

test('files are given as they are or as texts, and the same one can be chosen again', async () => {
  const [give, read] = [vi.fn(), vi.fn()];
  const user = show(
    <>
      <FileButton words="Open files" give={give} />
      <TextFileButton words="Open texts" give={read} />
    </>,
  );
  const file = new File(['Tide times'], 'tides.txt', { type: 'text/plain' });
  for (let i = 0; i < 2; i++) await user.upload(screen.getByLabelText('Open files'), file);
  expect(give.mock.calls).toEqual([[[file]], [[file]]]);
  await user.upload(screen.getByLabelText('Open texts'), file);
  await vi.waitFor(() => expect(read).toHaveBeenCalledExactlyOnceWith([{ name: 'tides.txt', text: 'Tide times' }]));
});
