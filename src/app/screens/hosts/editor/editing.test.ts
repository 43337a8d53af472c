import { describe, expect, test } from 'vitest';
import { loadCards } from '../../../../core/known/hosts/loadCards.ts';
import { readCardFiles, WRITTEN_ORIGIN } from '../../../../standins/world.ts';
import { completionsAt } from './completions.ts';
import { changed } from './change.ts';
import { beginEditing, stepEditing, textOf, type EditingStep } from './editing.ts';

const card = loadCards(readCardFiles(WRITTEN_ORIGIN)).cards[0]!;
const after = (...steps: EditingStep[]) => steps.reduce(stepEditing, beginEditing(card));
const named = (name: string): EditingStep => ({ do: 'change', card: { ...card, name }, where: 'name' });

describe('a card that is edited', () => {
  test('is one thing in two views, and undone in both', () => {
    const drawn = after(named('A'), named('Ab'));
    expect(drawn.text).toBe(textOf({ ...card, name: 'Ab' }));
    const typed = stepEditing(drawn, { do: 'type', text: drawn.text.replace('"Ab"', '"Abc"') });
    expect(typed.right.name).toBe('Abc');
    // What is typed in one place is one step.
    const back = [typed, null, null].reduce((now) => stepEditing(now!, { do: 'undo' }))!;
    expect(back.text).toBe(textOf(card));
    expect(stepEditing(back, { do: 'redo' }).right.name).toBe('Ab');
  });

  test('shows the last that was right while its text is not', () => {
    const { right, text } = after(named('A'), { do: 'type', text: '{' });
    expect([right.name, text]).toEqual(['A', '{']);
  });

  test('takes no change that the format refuses, and says why', () => {
    expect(changed(card, { name: '' })).toEqual(expect.any(String));
    expect(changed(card, { origins: { share: ['javascript:x'] } })).toMatch('an origin is');
    expect(changed(card, { name: 'A' })).toMatchObject({ name: 'A' });
  });
});

describe('words of the format are offered where they may stand', () => {
  const offered = (text: string): string[] => {
    const at = text.indexOf('|');
    return completionsAt(text.replace('|', ''), at)?.all.map(({ label }) => label) ?? [];
  };
  test.each([
    ['at the top', '{ "|" }', ['id', 'origins', 'settings']],
    ['within a target', '{ "targets": { "item": { "|" } } }', ['kind', 'frame', 'fit']],
    ['a kind', '{ "targets": { "item": { "kind": "|" } } }', ['video', 'map']],
    ['by which a height comes about', '{ "targets": { "item": { "fit": { "by": "|" } } } }', ['ratio', 'steps', 'content']],
    ['where a setting stands', '{ "settings": { "start": { "in": "|" } } }', ['query', 'path', 'packed', 'origin', 'nowhere']],
    ['a switch', '{ "links": [ { "framed": | } ] }', ['true', 'false']],
  ])('%s', (_, text, words) => expect(offered(text)).toEqual(expect.arrayContaining(words)));

  test('and none where the format has none', () => {
    expect(offered('{ "name": "|" }')).toEqual([]);
    expect(offered('{ "constructor": { "|" } }')).toEqual([]);
  });
});
