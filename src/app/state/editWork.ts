import { nanoid } from '@reduxjs/toolkit';
import type { HostBook } from '../../core/known/hosts/book.ts';
import { chosenOf, handOf } from '../../core/keeping/shelf/embedOf.ts';
import { nextLike } from '../../core/keeping/shelf/next.ts';
import type { Work } from '../../core/keeping/shelf/work.ts';
import { aboutOf, type Item } from '../../core/model/item.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { bringIn, type Recognised } from '../../core/pipeline.ts';
import { textEdited, codeEdited, chosen, type BenchState } from './bench.ts';
import { selectBook } from './selectors.ts';
import type { Dispatch, State } from './store.ts';

type Thunk = (dispatch: Dispatch, getState: () => State) => void;

/** Typing in the paste line. Text that no longer names the same item begins a new embed, so that the old one stays on the Shelf. */
export const editText =
  (text: string): Thunk =>
  (dispatch, getState) => {
    const { bench } = getState();
    const book = selectBook(getState());
    const base = beforeGesture(bench, 'text');
    const item = itemOf(base, book);
    const found = item ? bringIn(text, book) : [];
    const choice = found.findIndex((one) => isSame(one.item, item));
    const same = item === null || isBatchRow(base) || choice >= 0;
    const id = same ? base.id : newId(bench, base);
    dispatch(textEdited({ text, choice: Math.max(0, choice), id, changes: changesFor({ base, id }, bench, found) }));
  };

/** Typing in the code. Code of another item begins a new embed; code that can't be read yet doesn't. */
export const editCode =
  (code: string, changes: SettingsFix): Thunk =>
  (dispatch, getState) => {
    const { bench } = getState();
    const book = selectBook(getState());
    const base = beforeGesture(bench, 'code');
    const [before, after] = [itemOf(base, book), handOf(code, book).item];
    const same = !before || !after || isBatchRow(base) || isSame(after, before);
    const id = same ? (after ? base.id : bench.present.id) : newId(bench, base);
    dispatch(codeEdited({ code, changes, id, ...(id !== base.id && { text: code }) }));
  };

/** Another candidate of the same text is another embed; one that was worked on before comes back as it was. */
export const choose =
  (choice: number): Thunk =>
  (dispatch, getState) => {
    const { past, present } = getState().bench;
    const found = bringIn(present.text, selectBook(getState()));
    const changesItem = !isBatchRow(present) && !isSame(found[choice]?.item, chosenOf(found, present.choice).item ?? null);
    const earlier = past.findLast((work) => work.text === present.text && work.choice === choice);
    dispatch(chosen({ choice, id: changesItem ? (earlier?.id ?? nanoid(10)) : present.id, earlier: earlier ?? null }));
  };

/** The work as it was before the keystrokes that are undone as one step. */
const beforeGesture = ({ gesture, past, present }: BenchState, name: string): Work =>
  gesture === name ? (past.at(-1) ?? present) : present;

/** The new embed that this gesture has begun already, or one more. */
const newId = ({ present }: BenchState, base: Work): string => (present.id === base.id ? nanoid(10) : present.id);

function itemOf({ code, text, choice }: Work, book: HostBook): Item | null {
  return (code === null ? undefined : handOf(code, book).item) ?? chosenOf(bringIn(text, book), choice).item ?? null;
}

const isSame = (a: Item | undefined, b: Item | null): boolean => a !== undefined && b !== null && aboutOf(a) === aboutOf(b);

/** A batch keeps its rows under fixed ids: correcting a row's link doesn't begin a new one. */
const isBatchRow = ({ id }: Work): boolean => id.startsWith('batch-');

/** The settings of the base; of a new embed only those that don't belong to the old item, such as its title or start. */
function changesFor({ base, id }: { base: Work; id: string }, bench: BenchState, found: readonly Recognised[]): SettingsFix {
  if (id === base.id) return bench.present.id === base.id ? bench.present.changes : base.changes;
  const kind = found.find((one) => one.item)?.item?.kind;
  return kind === undefined ? {} : nextLike(base, kind, id).changes;
}
