import type { ReactElement } from 'react';

interface Props<One extends string> {
  label: string;
  value: One;
  /** What may be chosen, each in words, in this order. */
  words: Readonly<Record<string, string>>;
  change: (value: One) => void;
}

/** One of several, by its words. */
export function Choice<One extends string>({ label, value, words, change }: Props<One>): ReactElement {
  return (
    <label className="choice">
      {label}{' '}
      <select value={value} onChange={({ target }) => change(target.value as One)}>
        {Object.entries(words).map(([one, told]) => (
          <option key={one} value={one}>
            {told}
          </option>
        ))}
      </select>
    </label>
  );
}
