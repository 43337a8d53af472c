import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import { AS_IT_STANDS } from '../../core/live/keep.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import type { CodeFormId } from '../../core/write/forms/list.ts';
import type { Work, WorkForm } from './work.ts';

/** The Bench: one work, its past, and what was undone. Steps of one gesture are one step to undo. */
export interface BenchState {
  past: Work[];
  present: Work;
  future: Work[];
  gesture: string | null;
  /** Whether the publisher did anything to it since it was opened; an untouched example is not saved. */
  touched: boolean;
}

/** Id of the Bench before anything was opened on it; nothing is ever kept under it. */
export const NOTHING_OPENED = 'new';
const LONGEST_PAST = 200;

export const emptyWork = (site: string, id: string = nanoid(10)): Work => ({
  id,
  text: '',
  code: null,
  choice: 0,
  changes: {},
  form: 'responsive',
  site,
});

const initialState: BenchState = { past: [], present: emptyWork('', NOTHING_OPENED), future: [], gesture: null, touched: false };

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

/** Another text: what was done to the code of the one before is not for this one. */
const anew = ({ form }: Work): Pick<Work, 'code' | 'form'> => ({ code: null, form: form === AS_IT_STANDS ? 'responsive' : form });

export const benchSlice = createSlice({
  name: 'bench',
  initialState,
  reducers: {
    /** A saved work, or an example, comes onto the Bench with no past. */
    opened: (_, { payload }: PayloadAction<Work>): BenchState => ({
      past: [],
      present: payload,
      future: [],
      gesture: null,
      touched: false,
    }),
    /** A text was pasted or dropped: a new embed, with nothing changed yet. */
    broughtIn: {
      reducer: (state, { payload }: PayloadAction<{ text: string; id: string }>) =>
        step(state, { ...anew(state.present), text: payload.text, id: payload.id, choice: 0, changes: {} }),
      prepare: (text: string) => ({ payload: { text, id: nanoid(10) } }),
    },
    /** The text of the same embed was corrected. */
    textEdited: (state, { payload }: PayloadAction<string>) =>
      step(state, { ...anew(state.present), text: payload, choice: 0 }, 'text'),
    chosen: (state, { payload }: PayloadAction<number>) => step(state, { ...anew(state.present), choice: payload, changes: {} }),
    /** The code was changed by hand: from now on it says what holds; `changes` are those that no code can say. */
    codeEdited: (state, { payload: { code, changes } }: PayloadAction<{ code: string; changes: SettingsFix }>) =>
      step(state, { code, changes, form: AS_IT_STANDS }, 'code'),
    /** Code is kept as it stands, with the settings laid in. */
    codeKept: (state, { payload }: PayloadAction<string>) => step(state, { code: payload, form: AS_IT_STANDS }),
    /** Settings were changed; `gesture` joins the steps of one drag. */
    changed: (state, { payload: { change, gesture } }: PayloadAction<{ change: SettingsFix; gesture?: string }>) =>
      step(state, { changes: { ...state.present.changes, ...change } }, gesture ?? null),
    /** It was taken away, so it is to be kept as it is. */
    kept: (state) => {
      state.touched = true;
    },
    gestureEnded: (state) => {
      state.gesture = null;
    },
    formChosen: (state, { payload }: PayloadAction<CodeFormId>) => step(state, { form: payload }),
    /** Another site, with the form of code that it takes. */
    siteChosen: (state, { payload }: PayloadAction<{ site: string; form: WorkForm }>) => step(state, payload),
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
  textEdited,
  chosen,
  codeEdited,
  codeKept,
  changed,
  kept,
  gestureEnded,
  formChosen,
  siteChosen,
  undone,
  redone,
} = benchSlice.actions;
