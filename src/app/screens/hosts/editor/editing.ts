import type { HostCard } from '../../../../core/known/hosts/card.ts';
import { checkCardText } from './cardText.ts';

/** A card being edited: its text is what counts, the drawing shows the last of it that was right. */
export interface Editing {
  text: string;
  right: HostCard;
  past: readonly string[];
  future: readonly string[];
  /** What the last step changed: what is typed in one place is one step. */
  where: string;
}

export type EditingStep =
  /** In the JSON. */
  | { do: 'type'; text: string }
  /** In the drawing. */
  | { do: 'change'; card: HostCard; where: string }
  | { do: 'undo' }
  | { do: 'redo' };

const MOST = 100;

export const textOf = (card: HostCard): string => JSON.stringify(card, null, 2);

export const beginEditing = (card: HostCard): Editing => ({ text: textOf(card), right: card, past: [], future: [], where: '' });

export function stepEditing(now: Editing, step: EditingStep): Editing {
  const to = (text: string): Pick<Editing, 'text' | 'right'> => ({ text, right: checkCardText(text).card ?? now.right });
  switch (step.do) {
    case 'undo': {
      const text = now.past.at(-1);
      return text === undefined
        ? now
        : { ...to(text), past: now.past.slice(0, -1), future: [now.text, ...now.future], where: '' };
    }
    case 'redo': {
      const [text, ...future] = now.future;
      return text === undefined ? now : { ...to(text), past: [...now.past, now.text], future, where: '' };
    }
    default: {
      const [text, where] = step.do === 'type' ? [step.text, 'json'] : [textOf(step.card), step.where];
      if (text === now.text) return now;
      const past = where === now.where ? now.past : [...now.past.slice(-MOST), now.text];
      return { ...to(text), past, future: [], where };
    }
  }
}
