import { useId, useState, type ReactElement } from 'react';

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
  const field = useId();
  const told = useId();
  const why = draft?.why ?? null;
  return (
    <span className={long ? 'draft-field long' : 'draft-field'}>
      <label htmlFor={field}>{label}</label>
      <input
        id={field}
        value={draft?.text ?? value}
        spellCheck={false}
        aria-invalid={why !== null}
        aria-describedby={why === null ? undefined : told}
        onChange={({ target: { value: text } }) => setDraft({ text, why: change(text) })}
        onBlur={() => setDraft(null)}
      />
      {why !== null && (
        <small id={told} className="wrong">
          {why}
        </small>
      )}
    </span>
  );
}
