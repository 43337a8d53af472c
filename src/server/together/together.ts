import type { Store } from 'express-rate-limit';
import { jobsInProcess } from '../jobs/inProcess.ts';
import type { Jobs, Worker } from '../jobs/job.ts';
import { turnsHere, type InTurn } from './turns.ts';

/** Where answers are kept that more than one process can use. */
export interface SharedAnswers {
  get: (key: string) => Promise<string | null>;
  set: (key: string, text: string, seconds: number) => void;
}

/** What the processes of a service have in common. */
export interface Together {
  /** Whether there are others: `alone`; what is shared is there, or `away`, and each goes on by itself. */
  state: () => 'alone' | 'there' | 'away';
  answers: SharedAnswers | null;
  /** Where questions are counted; undefined for within this process. */
  limits: ((name: string) => Store) | undefined;
  inTurn: InTurn;
  jobs: Jobs;
  stop: () => Promise<void>;
}

/** A process that is alone, and does its jobs itself. */
export function alone(work: (inTurn: InTurn) => Worker): Together {
  const inTurn = turnsHere();
  return {
    state: () => 'alone',
    answers: null,
    limits: undefined,
    inTurn,
    jobs: jobsInProcess(work(inTurn)),
    stop: () => Promise.resolve(),
  };
}
