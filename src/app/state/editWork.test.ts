import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../laws/world.ts';
import { SLIDES, SOUND, storeWith, VIDEO } from '../testing/render.tsx';
import { broughtIn, changed, gestureEnded, kept, redone, undone } from './bench.ts';
import { choose, editCode, editText } from './editWork.ts';
import { selectEmbed, selectItem } from './selectors.ts';
import type { Store } from './store.ts';

const present = (store: Store) => store.getState().bench.present;
const idAfter = (store: Store, text: string): string => {
  store.dispatch(editText(text));
  return present(store).id;
};

describe('typing', () => {
  test('a name over a link begins a new embed, and undo brings the old one back with its settings', () => {
    const store = storeWith(VIDEO);
    store.dispatch(changed({ change: { start: 42 } }));
    const { id } = present(store);
    expect(idAfter(store, 'bread')).not.toBe(id);
    expect(present(store).changes).toEqual({});
    store.dispatch(undone());
    expect(present(store)).toMatchObject({ id, text: VIDEO, changes: { start: 42 } });
  });

  test('one gesture begins one embed, and typing back returns to the first', () => {
    const store = storeWith(VIDEO);
    const { id } = present(store);
    const [b, br, back] = ['b', 'br', VIDEO].map((text) => idAfter(store, text));
    expect(br).toBe(b);
    expect(back).toBe(id);
  });

  test('another form, or another start, of the same item stays with its embed', () => {
    const store = storeWith(VIDEO);
    const { id } = present(store);
    expect(idAfter(store, `${VIDEO}?at=10s`)).toBe(id);
    store.dispatch(gestureEnded());
    expect(idAfter(store, `${SOUND} and ${VIDEO}`)).toBe(id);
    expect(selectItem(store.getState())?.id).toBe('k7wq2m9d');
  });

  test('another link keeps the settings that belong to no item', () => {
    const store = storeWith(VIDEO);
    store.dispatch(changed({ change: { autoplay: 'on', title: 'The sluice' } }));
    idAfter(store, VIDEO.replace('k7wq2m9d', 'n4rt8v2x'));
    expect(present(store).changes).toEqual({ autoplay: 'on' });
  });

  test('code of another item begins a new embed, code that is half typed does not', () => {
    const store = storeWith(VIDEO);
    const { id } = present(store);
    store.dispatch(editCode('<iframe src="', {}));
    expect(present(store).id).toBe(id);
    store.dispatch(gestureEnded());
    store.dispatch(editCode('<iframe src="https://media.example/play/1"></iframe>', {}));
    expect(present(store).id).not.toBe(id);
  });
});

test('another candidate is another embed; the first comes back as it was', () => {
  const store = storeWith(`${VIDEO}\n${SOUND}`);
  store.dispatch(changed({ change: { mute: 'on' } }));
  const first = present(store);
  store.dispatch(choose(1));
  expect(present(store).id).not.toBe(first.id);
  store.dispatch(choose(0));
  expect(present(store)).toEqual(first);
});

/** What the Bench does to the Shelf: the last record of each id is what is kept. */
const act = fc.oneof(
  fc.constantFrom('bread', 'the mill', '', VIDEO, SOUND, SLIDES, `${VIDEO}?at=10s`, 'https://media.example/a').map((text) => ({
    does: 'type' as const,
    text,
  })),
  fc.constantFrom(VIDEO, SOUND, 'bread', `${SLIDES}\n${VIDEO}`).map((text) => ({ does: 'paste' as const, text })),
  fc.constantFrom('https://media.example/b', VIDEO).map((src) => ({
    does: 'code' as const,
    text: `<iframe src="${src}"></iframe>`,
  })),
  fc.constantFrom('copy', 'set', 'undo', 'redo', 'leave', 'choose').map((does) => ({ does, text: '' })),
);

test('law: nothing that was copied is overwritten by another item', () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      const store = storeWith(VIDEO);
      const shelf = new Map<string, string>();
      const copied = new Map<string, string>();
      for (const { does, text } of acts) {
        if (does === 'type') store.dispatch(editText(text));
        if (does === 'paste') store.dispatch(broughtIn(text));
        if (does === 'code') store.dispatch(editCode(text, {}));
        if (does === 'set') store.dispatch(changed({ change: { autoplay: 'on' } }));
        if (does === 'choose') store.dispatch(choose(1));
        if (does === 'leave') store.dispatch(gestureEnded());
        if (does === 'undo') store.dispatch(undone());
        if (does === 'redo') store.dispatch(redone());
        const { id } = present(store);
        const item = selectItem(store.getState())?.canonical ?? '';
        if (present(store).text.trim() !== '') shelf.set(id, item);
        const embed = selectEmbed(store.getState());
        if (does !== 'copy' || !embed) continue;
        store.dispatch(kept({ code: embed.code.text, work: present(store) }));
        copied.set(id, item);
      }
      for (const [id, item] of copied) expect(shelf.get(id)).toBe(item);
    }),
    runs(300),
  );
});
