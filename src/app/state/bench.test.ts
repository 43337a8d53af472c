import { describe, expect, test } from 'vitest';
import {
  benchSlice,
  broughtIn,
  changed,
  chosen,
  forked,
  formChosen,
  gestureEnded,
  opened,
  redone,
  siteChosen,
  textReplaced,
  undone,
} from './bench.ts';
import { emptyWork } from '../../core/keeping/shelf/work.ts';
import { readSites, WRITTEN_ORIGIN } from '../../standins/world.ts';

const { reducer } = benchSlice;
const start = reducer(undefined, opened({ ...emptyWork('mill', 'first'), text: 'a link' }));
const after = (...actions: Parameters<typeof reducer>[1][]) => actions.reduce(reducer, start);

describe('every change can be undone and redone', () => {
  test.each([
    ['a paste', broughtIn('another')],
    ['an edit of the text', textReplaced('a longer link')],
    ['a setting', changed({ change: { start: 5 } })],
    ['another candidate', chosen({ choice: 1, id: 'first', earlier: null })],
    ['a form', formChosen('fixed')],
    ['a site', siteChosen({ from: null, to: readSites(WRITTEN_ORIGIN)[2]! })],
  ])('%s', (_, action) => {
    const done = reducer(start, action);
    expect(done.present).not.toEqual(start.present);
    const back = reducer(done, undone());
    expect(back.present).toEqual(start.present);
    expect(reducer(back, redone()).present).toEqual(done.present);
  });

  test('with nothing to undo, nothing happens', () => {
    expect(reducer(start, undone())).toBe(start);
    expect(reducer(start, redone())).toBe(start);
  });

  test('a new change ends what could be redone', () => {
    expect(after(changed({ change: { start: 5 } }), undone(), changed({ change: { start: 6 } })).future).toEqual([]);
  });
});

describe('one gesture is one step', () => {
  const drag = (seconds: number) => changed({ change: { start: seconds }, gesture: 'rail-start' });

  test('however many changes it makes', () => {
    const dragged = after(drag(1), drag(2), drag(3));
    expect(dragged.past).toHaveLength(1);
    expect(dragged.present.changes).toEqual({ start: 3 });
  });

  test('and the next gesture is another', () => expect(after(drag(1), gestureEnded(), drag(2)).past).toHaveLength(2));

  test('typing is one gesture too', () => expect(after(textReplaced('a'), textReplaced('ab')).past).toHaveLength(1));
});

test('a paste begins a new embed; an edit stays with the old', () => {
  const pasted = after(changed({ change: { start: 5 } }), broughtIn('another'));
  expect(pasted.present).toMatchObject({ text: 'another', changes: {}, site: 'mill' });
  expect(pasted.present.id).not.toBe('first');
  expect(after(changed({ change: { start: 5 } }), textReplaced('x')).present).toMatchObject({
    id: 'first',
    changes: { start: 5 },
  });
});

test('an untouched example is not to be saved, a touched one is', () => {
  expect([start.touched, after(formChosen('link')).touched]).toEqual([false, true]);
});

test('the past does not grow for ever', () => {
  const long = Array.from({ length: 300 }, (_, i) => changed({ change: { start: i } })).reduce(reducer, start);
  expect(long.past).toHaveLength(200);
});

test('what goes on under another id takes its past along: undoing brings no second copy', () => {
  const bench = (state: ReturnType<typeof benchSlice.reducer>, ...actions: Parameters<typeof benchSlice.reducer>[1][]) =>
    actions.reduce(benchSlice.reducer, state);
  const begun = bench(
    undefined as never,
    broughtIn('https://media.example/a'),
    changed({ change: { title: 'A' } }),
    forked('copy'),
  );
  expect(begun.present.id).toBe('copy');
  expect(bench(begun, undone()).present.id).toBe('copy');
  expect(bench(begun, undone(), redone()).present.id).toBe('copy');
});
