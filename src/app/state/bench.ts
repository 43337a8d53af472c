import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import { AS_IT_STANDS } from '../../core/model/code.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import { type CodeFormId, USUAL_FORM } from '../../core/steps/write/forms/list.ts';
import type { Site } from '../../core/model/site.ts';
import { aimedAt } from '../../core/keeping/shelf/aim.ts';
import { emptyWork, type Work } from '../../core/keeping/shelf/work.ts';
import type { Settings } from '../../core/known/settings/list.ts';

/** The Bench: one work, its past, and what was undone. Steps of one gesture are one step to undo. */
export interface BenchState {
  past: Work[];
  present: Work;
  future: Work[];
  gesture: string | null;
  /** Whether the publisher did anything to it since it was opened; an untouched example is not saved. */
  touched: boolean;
  /** Which revision of which embed was opened. */
  from: { id: string; revision: number };
  /** A code that was taken away and is not yet kept as a version. */
  takenCode: { code: string; work: Work } | null;
}

/** Id of the Bench before anything was opened on it; nothing is ever kept under it. */
export const NOTHING_OPENED = 'new';
/** What stands there at the very first start. */
export const EXAMPLE = 'example';
const LONGEST_PAST = 200;

const fresh = (present: Work, revision: number): BenchState => ({
  past: [],
  present,
  future: [],
  gesture: null,
  touched: false,
  from: { id: present.id, revision },
  takenCode: null,
});
const initialState = fresh(emptyWork('', NOTHING_OPENED), 0);

function step(state: BenchState, change: Partial<Work>, gesture: string | null = null): void {
  if (gesture === null || gesture !== state.gesture) {
    state.past.push(state.present);
    if (state.past.length > LONGEST_PAST) state.past.shift();
  }
  state.future = [];
  state.gesture = gesture;
  state.touched = true;
  state.present = { ...state.present, ...change };
}

/** Whether a work was laid out for a text that is still to come. */
const waits = ({ present, touched }: BenchState): boolean => present.text === '' && !touched && present.id !== NOTHING_OPENED;

/** Another text: what was done to the code of the one before is not for this one. */
const anew = ({ form }: Work): Pick<Work, 'code' | 'form' | 'style' | 'running'> => ({
  code: null,
  running: null,
  form: form === AS_IT_STANDS ? USUAL_FORM : form,
  style: null,
});

/** Publication dates belong to the item: a new embed has none. */
const datesOf = ({ present, past }: BenchState, id = present.id): Pick<Work, 'out' | 'pageOut'> => {
  const { out, pageOut } = [present, past.at(-1)].find((work) => work?.id === id) ?? { out: null, pageOut: null };
  return { out, pageOut };
};

export const benchSlice = createSlice({
  name: 'bench',
  initialState,
  reducers: {
    /** A saved work, or an example, comes onto the Bench with no past. */
    opened: {
      reducer: (_, { payload }: PayloadAction<{ work: Work; revision: number }>): BenchState =>
        fresh(payload.work, payload.revision),
      prepare: (work: Work, revision?: number) => ({ payload: { work, revision: revision ?? 0 } }),
    },
    /** A text was pasted or dropped: a new embed with nothing changed yet, or the one that waited for its text. */
    broughtIn: {
      reducer: (state, { payload: { text, id } }: PayloadAction<{ text: string; id: string }>) =>
        step(
          state,
          waits(state) ? { text } : { ...anew(state.present), text, id, choice: 0, changes: {}, out: null, pageOut: null },
        ),
      prepare: (text: string) => ({ payload: { text, id: nanoid(10) } }),
    },
    /** Another text for the same embed. */
    textReplaced: (state, { payload }: PayloadAction<string>) =>
      step(state, { ...anew(state.present), text: payload, choice: 0 }, 'text'),
    /** The text was typed; `id` is another one where it names another item (`editWork.ts`). */
    textEdited: (state, { payload }: PayloadAction<Pick<Work, 'id' | 'text' | 'choice' | 'changes'>>) =>
      step(state, { ...anew(state.present), ...datesOf(state, payload.id), ...payload }, 'text'),
    chosen: (state, { payload: { choice, id, earlier } }: PayloadAction<{ choice: number; id: string; earlier: Work | null }>) =>
      step(state, earlier ?? { ...anew(state.present), ...datesOf(state, id), choice, id, changes: {} }),
    /** The code was edited: from now on it decides; `changes` are those that no code can express. */
    codeEdited: (state, { payload }: PayloadAction<Pick<Work, 'code' | 'changes'> & Partial<Pick<Work, 'id' | 'text'>>>) => {
      const running = state.present.running === 'keep' ? 'keep' : null;
      step(state, { ...datesOf(state, payload.id), ...payload, form: AS_IT_STANDS, running }, 'code');
    },
    /** Code is kept as it stands, with the settings laid in. */
    codeKept: (state, { payload }: PayloadAction<string>) => step(state, { code: payload, form: AS_IT_STANDS }),
    /** What runs in what was pasted is left out, or kept all the same. */
    runningDecided: (state, { payload }: PayloadAction<'keep' | 'leave'>) => step(state, { running: payload }),
    /** Settings were changed; `gesture` joins the steps of one drag. */
    changed: (state, { payload: { change, gesture } }: PayloadAction<{ change: SettingsFix; gesture?: string }>) =>
      step(state, { changes: { ...state.present.changes, ...change } }, gesture ?? null),
    /** It is to be kept as it is; and what was taken away of it as a version. */
    kept: (state, { payload }: PayloadAction<BenchState['takenCode']>) => {
      state.touched = true;
      state.gesture = null;
      state.takenCode = payload ?? state.takenCode;
    },
    versionKept: (state) => {
      state.takenCode = null;
    },
    gestureEnded: (state) => {
      state.gesture = null;
    },
    formChosen: (state, { payload }: PayloadAction<CodeFormId>) => step(state, { form: payload }),
    /** Another site, with what belongs to it. */
    siteChosen: (state, { payload: { from, to } }: PayloadAction<{ from: Site | null; to: Site }>) =>
      step(state, aimedAt(state.present, from, to)),
    /** What is begun now holds to the house style as it is now; no step of its own. */
    styleTaken: (state, { payload }: PayloadAction<Settings>) => {
      state.present = { ...state.present, style: payload };
    },
    /** When the item, and the page with it, come out. */
    datesSet: (state, { payload }: PayloadAction<Pick<Work, 'out' | 'pageOut'>>) => step(state, payload),
    /** Another window changed it, and nothing was changed here meanwhile. */
    followed: (state, { payload }: PayloadAction<Work>) => {
      state.present = payload;
    },
    /** What was changed here goes on under another id, and so does its past: undoing brings no second copy. */
    forked: (state, { payload }: PayloadAction<string>) => {
      const { id } = state.present;
      const renamed = (work: Work): Work => (work.id === id ? { ...work, id: payload } : work);
      state.past = state.past.map(renamed);
      state.future = state.future.map(renamed);
      state.present = renamed(state.present);
    },
    undone: (state) => {
      const before = state.past.pop();
      if (!before) return;
      state.future.push(state.present);
      state.present = before;
      state.gesture = null;
    },
    redone: (state) => {
      const after = state.future.pop();
      if (!after) return;
      state.past.push(state.present);
      state.present = after;
      state.gesture = null;
    },
  },
});

export const {
  opened,
  broughtIn,
  textReplaced,
  textEdited,
  chosen,
  codeEdited,
  codeKept,
  runningDecided,
  changed,
  kept,
  versionKept,
  gestureEnded,
  formChosen,
  siteChosen,
  styleTaken,
  datesSet,
  followed,
  forked,
  undone,
  redone,
} = benchSlice.actions;

/** Where the Bench is with what stands on it. */
export const selectBenchAddress = ({ bench: { present } }: { bench: BenchState }): string =>
  present.id === NOTHING_OPENED ? '/' : `/bench/${present.id}`;
