import type { ReactElement } from 'react';
import type { Range } from '../../../core/model/candidate.ts';
import type { Meaning, Segment } from '../../../core/steps/recognise/anatomy.ts';
import { sayMeaning, sayRepair } from '../../../messages/reading.ts';
import { choose } from '../../state/editWork.ts';
import { selectAnatomy, selectFound, selectRecognised } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { pointedAt } from '../../state/view.ts';
import { useTextEdit } from './useTextEdit.ts';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

/** The pasted text taken apart, each part with its meaning. */
export function AnatomyStrip(): ReactElement {
  const text = useAppSelector((state) => state.bench.present.text);
  const segments = useAppSelector(selectAnatomy);
  const { candidate } = useAppSelector(selectRecognised);
  return (
    <section
      className="anatomy flex min-h-11.5 [scrollbar-width:thin] items-center gap-4 overflow-x-auto border-b-2 border-b-line px-4 py-0.5 area-[anatomy] [&_p]:m-0 [&_ul]:flex [&_ul]:gap-0.5"
      aria-label={t('Anatomy')}
      tabIndex={0}
    >
      <CandidateChoice />
      {segments.length === 0 && (
        <p className="text-quiet">{t('A pasted link is taken apart here, each part with what it means.')}</p>
      )}
      <ul>
        {candidate.doubt && <Doubt {...candidate.doubt} written={text} />}
        {segments.slice(0, MOST_PARTS).map((segment) => (
          <Part key={segment.range[0]} segment={segment} text={text} />
        ))}
        {segments.length > MOST_PARTS && (
          <li className="part text-quiet">{t('and {count} more', { count: segments.length - MOST_PARTS })}</li>
        )}
        {candidate.repairs.map((repair, i) => (
          <li key={`repair-${i}`} className="part" data-role="repair">
            <code>{shorten(repair.now)}</code>
            <small>{t('put right: {repair}', { repair: sayRepair(repair) })}</small>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** More than any link in earnest has. */
const MOST_PARTS = 80;

/** Where a link ends cannot always be told: both readings are shown, and the other one is a press away. */
function Doubt({ range, text, written }: { range: Range; text: string; written: string }): ReactElement {
  const { edit } = useTextEdit();
  const whole = (): void => edit(() => `${written.slice(0, range[0])}<${text}>${written.slice(range[1])}`);
  return (
    <li className="part" data-role="repair">
      <code>{shorten(text)}</code>
      <small>
        {t('may be the whole link')}{' '}
        <button type="button" className="inline-remedy" onClick={whole}>
          {t('Read all of it')}
        </button>
      </small>
    </li>
  );
}

function Part({ segment: { range, meaning }, text }: { segment: Segment; text: string }): ReactElement {
  const dispatch = useAppDispatch();
  const setting = meaning.role === 'setting' ? meaning.setting : meaning.role === 'identity' ? ('item' as const) : null;
  const written = text.slice(...range);
  const point = (on: boolean) => (): void => void dispatch(pointedAt(on ? setting : null));
  return (
    <li
      className="part"
      data-role={meaning.role}
      title={written}
      tabIndex={0}
      onMouseEnter={point(true)}
      onMouseLeave={point(false)}
      onFocus={point(true)}
      onBlur={point(false)}
    >
      <code>{shorten(written)}</code>
      <small>
        <span aria-hidden="true">{MARKS[meaning.role]}</span>
        {sayMeaning(meaning)}
      </small>
    </li>
  );
}

/** A sign beside the words, so that no meaning hangs on colour alone. */
const MARKS: Record<Meaning['role'], string> = {
  host: '',
  form: '',
  identity: '',
  setting: '',
  permission: '',
  usual: '',
  unknown: '? ',
  dropped: '⌫ ',
  broken: '✗ ',
};

const LONGEST_PART = 44;
const shorten = (text: string): string => {
  const line = text.replace(/\s+/g, ' ');
  return line.length > LONGEST_PART ? `${line.slice(0, 26)} … ${line.slice(-12)}` : line;
};

function CandidateChoice(): ReactElement | null {
  const dispatch = useAppDispatch();
  const found = useAppSelector(selectFound);
  const recognised = useAppSelector(selectRecognised);
  if (found.length < 2) return null;
  return (
    <ChoiceField
      label={t('{count} found, working on', { count: found.length })}
      className="candidates flex-none"
      value={String(found.indexOf(recognised))}
      options={found.map(({ candidate, item }, i) => [
        String(i),
        `${i + 1}: ${shorten(item?.id ?? candidate.address ?? candidate.source)}`,
        !item,
      ])}
      set={(at) => dispatch(choose(Number(at)))}
    />
  );
}
