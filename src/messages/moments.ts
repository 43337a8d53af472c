import type { Moment } from '../core/model/setting.ts';

/** The stations of a visit and the place in the page: their names, and what each is about. */
export const MOMENT_NAMES: Record<Moment, { name: string; words: string }> = {
  arrive: { name: 'Arrive', words: 'when the page opens' },
  begin: { name: 'Begin', words: 'when it starts' },
  during: { name: 'During', words: 'while it runs' },
  end: { name: 'End', words: 'when it is over' },
  frame: { name: 'Frame', words: 'how it stands in the page' },
  around: { name: 'Beside it', words: 'heading, caption and what else belongs to it' },
};
