import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Proof, ProofRow } from '../../core/proof/playThrough/proof.ts';

/** The play-through of the embed on the Bench. */
export interface ProofState {
  /** Whether its strip stands in the place of the settings. */
  shown: boolean;
  /** Whether the page in which it runs, or ran, is there. */
  staged: boolean;
  /** Grows with each run; a run ends when its page goes. */
  run: number;
  /** The station at which it is; null while none runs. */
  step: 'arrive' | 'begin' | 'during' | 'end' | null;
  /** What came of the last one. */
  proof: Proof | null;
}

const initialState: ProofState = { shown: false, staged: false, run: 0, step: null, proof: null };

export const proofSlice = createSlice({
  name: 'proof',
  initialState,
  reducers: {
    proofBegun: (state) => ({ ...state, shown: true, staged: true, run: state.run + 1, step: 'arrive' as const }),
    proofStepped: (state, { payload }: PayloadAction<ProofState['step']>) => {
      state.step = payload;
    },
    proofDone: (state, { payload }: PayloadAction<Proof>) => {
      state.proof = payload;
      state.step = null;
    },
    /** What is kept with the embed that came onto the Bench. */
    proofFound: (state, { payload }: PayloadAction<Proof | null>) => ({ ...initialState, run: state.run, proof: payload }),
    proofShown: (state, { payload }: PayloadAction<boolean>) => ({ ...state, shown: payload, staged: false, step: null }),
    /** A row as it is once a person has said whether it was so. */
    proofAnswered: ({ proof }, { payload }: PayloadAction<ProofRow>) => {
      if (proof) proof.rows = proof.rows.map((row) => (row.question === payload.question ? payload : row));
    },
  },
});

export const { proofBegun, proofStepped, proofDone, proofFound, proofShown, proofAnswered } = proofSlice.actions;
