import { act, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { useKeptDraft } from './useKeptDraft.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

interface Thing {
  words: string;
}

/** A draft of something whose store takes a while to tell what was kept. */
function drafted() {
  const kept: Thing[] = [];
  const ways = { check: (one: Thing) => (one.words === '!' ? undefined : one), keep: (one: Thing) => void kept.push(one) };
  const hook = renderHook(({ thing }) => useKeptDraft(thing, ways), { initialProps: { thing: { words: 'a' } } });
  const now = () => hook.result.current;
  return {
    kept,
    now,
    tells: (words: string) => act(() => hook.rerender({ thing: { words } })),
    types: (more: string) => act(() => now().change((before) => ({ words: before.words + more }))),
    rests: () => act(() => void vi.advanceTimersByTime(500)),
  };
}

test('what is kept stays while the store has not told of it yet, and so does what comes after it', () => {
  const { kept, now, tells, types, rests } = drafted();
  types('b');
  rests();
  expect([kept.at(-1), now().draft, now().state]).toEqual([{ words: 'ab' }, { words: 'ab' }, 'kept']);
  // The store tells of something else that it keeps: the thing as it was.
  tells('a');
  expect(now().draft).toEqual({ words: 'ab' });
  types('c');
  rests();
  tells('ab');
  expect(now().draft).toEqual({ words: 'abc' });
  tells('abc');
  expect([now().draft, now().state]).toEqual([{ words: 'abc' }, 'kept']);
  expect(kept.map(({ words }) => words)).toEqual(['ab', 'abc']);
});

test('what another window says is taken over, unless something of one’s own waits', () => {
  const { now, tells, types, rests } = drafted();
  types('b');
  rests();
  tells('ab');
  tells('theirs');
  expect(now().draft).toEqual({ words: 'theirs' });
  // Theirs again, what once was one’s own: it is theirs now.
  tells('ab');
  expect(now().draft).toEqual({ words: 'ab' });
  types('c');
  tells('theirs');
  expect(now().draft).toEqual({ words: 'abc' });
});

test('what is wrong is not kept, and undone is as before', () => {
  const { kept, now, tells, types, rests } = drafted();
  types('b');
  rests();
  tells('ab');
  act(() => now().undo!());
  expect([now().draft, kept.at(-1)]).toEqual([{ words: 'a' }, { words: 'a' }]);
  act(() => now().change(() => ({ words: '!' })));
  rests();
  expect([now().state, kept.at(-1)]).toEqual(['wrong', { words: 'a' }]);
});

test('whenever the store tells of what was kept here, late or early, nothing that was typed is lost', () => {
  // Typed, rested, or told of the next thing that was kept; a store tells in the order in which it was given.
  const acts = fc.array(fc.constantFrom('type', 'rest', 'tell', 'again'), { minLength: 3, maxLength: 40 });
  fc.assert(
    fc.property(acts, (all) => {
      const { kept, now, tells, types, rests } = drafted();
      let [typed, told, last] = ['a', 0, 'a'];
      for (const act of all) {
        if (act === 'type') {
          types('b');
          typed += 'b';
        } else if (act === 'rest') rests();
        else if (act === 'tell' && told < kept.length) tells((last = kept[told++]!.words));
        // Something else in the store has changed: it tells once more what it told last.
        else if (act === 'again') tells(last);
        expect(now().draft.words).toBe(typed);
      }
      rests();
      expect([now().state, kept.at(-1)?.words ?? 'a']).toEqual(['kept', typed]);
    }),
    { numRuns: 200 },
  );
});
