import { useState, type ReactElement } from 'react';
import { colourOf, contrastOf, sayContrast } from '../../core/model/contrast.ts';
import { parseColour } from '../../core/model/values.ts';
import { t } from '../../messages/t.ts';
import type { FieldProps } from './Field.tsx';
import { Offer } from './Offer.tsx';
import { WordsField } from './WordsField.tsx';

interface Props extends Omit<FieldProps, 'wrong'> {
  /** `#rrggbb`. */
  value: string;
  set: (colour: string) => void;
  /** Colours near at hand: those of the site. */
  palette?: readonly { name: string; colour: string }[] | undefined;
}

/**
 * A colour, as a patch and as it is written, with the colours of the site beside it. Any way that CSS has to write one is
 * taken; what is none is told, and not taken. What was typed stands there until the field is left.
 */
export function ColourField({ value, set, palette = [], ...field }: Props): ReactElement {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <span className="colour">
      <i style={{ background: parseColour(value) }} />
      <WordsField
        {...field}
        value={draft ?? value}
        wrong={draft !== null && colourOf(draft) === undefined ? t('a colour, such as #1f5f4f') : undefined}
        set={(text) => {
          setDraft(text);
          const read = colourOf(text);
          if (read !== undefined) set(read);
        }}
        control={{ onBlur: () => setDraft(null) }}
      />
      {palette.map(({ name, colour }) => (
        <Offer key={name} words={name} colour={colour} on={value === parseColour(colour)} take={() => set(colour)} />
      ))}
    </span>
  );
}

/** The contrast of two colours in figures, and in a word whether it is enough (WCAG 2.2, sections 1.4.3 and 1.4.11). */
export function Contrast({ one, other, least }: { one: string; other: string; least: number }): ReactElement {
  const [a, b] = [parseColour(one), parseColour(other)];
  if (!a || !b) return <span className="contrast">{t('no colour')}</span>;
  const ratio = contrastOf(a, b);
  return (
    <span className="contrast" data-enough={ratio >= least}>
      {sayContrast(ratio)} {ratio >= least ? t('enough') : t('under {least}', { least })}
    </span>
  );
}
