import { useState, type ReactElement } from 'react';
import { WordsField } from '../../../fields/WordsField.tsx';

interface Props {
  label: string;
  value: string;
  /** Takes what was typed; the words are why it cannot be taken, which leaves the card as it was. */
  change: (text: string) => string | null;
  long?: boolean;
}

/** A text of a card. What cannot be so stands in the field, with why, until it is put right or left. */
export function DraftField({ label, value, change, long = false }: Props): ReactElement {
  const [draft, setDraft] = useState<{ text: string; why: string | null } | null>(null);
  return (
    <WordsField
      label={label}
      className={long ? 'long' : undefined}
      wrong={draft?.why ?? undefined}
      value={draft?.text ?? value}
      set={(text) => setDraft({ text, why: change(text) })}
      control={{ onBlur: () => setDraft(null) }}
    />
  );
}
