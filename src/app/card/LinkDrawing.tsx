import { useRef, useState, type ReactElement } from 'react';
import type { HostBook } from '../../core/known/hosts/book.ts';
import type { HostCard, LinkForm } from '../../core/known/hosts/card.ts';
import { piecesOf, withEdge, type MovedEdge, type Piece } from '../../core/teach/edges.ts';
import { isFree, partsOf, type PartIs, type SaidPart } from '../../core/teach/parts.ts';
import { itemOf } from '../../core/teach/plain.ts';
import { arrowStep, useDrag } from '../ui/useDrag.ts';
import { Taken } from './Taken.tsx';
import { t } from '../../messages/t.ts';
import { ChoiceField } from '../fields/ChoiceField.tsx';

interface Props {
  card: HostCard;
  form: LinkForm;
  book: HostBook;
  /** Links of the host besides those of the card, over which an edge must hold too. */
  links: readonly string[];
  say: (part: SaidPart) => void;
  move: (edge: MovedEdge) => void;
}

const PART_WORDS: Record<PartIs, string> = { item: t('names the item'), any: t('any text'), same: t('always the same') };

/** A share link taken apart, each part to be put right in its place: what it is, and where it begins and ends. */
export function LinkDrawing({ card, form, book, links, say, move }: Props): ReactElement {
  const [stuck, setStuck] = useState(false);
  const [example] = form.examples;
  const url = new URL(example!);
  const parts = partsOf(card, form);
  const segments = segmentsOf(piecesOf(form, example!, itemOf(example!, book)?.captures ?? {}));
  const tryEdge = (edge: MovedEdge): void => {
    const holds = withEdge(card, edge, links) !== null;
    setStuck(!holds);
    if (holds) move(edge);
  };
  const behind = url.origin.length + url.pathname.length;
  return (
    <>
      <ul className="link-parts" aria-label={t('The share link, taken apart')}>
        <li className="part" data-role="host">
          <code>{url.origin}</code>
          <small>{t('the host')}</small>
        </li>
        {segments.map((pieces, i) => (
          <li key={i} className="flex max-w-full overflow-auto [&>span[aria-hidden]]:pt-[3px] [&>span[aria-hidden]]:text-quiet">
            <span aria-hidden="true">/</span>
            {pieces.map((piece) =>
              piece.name === null ? (
                <Fixed
                  key={piece.text}
                  text={piece.text}
                  is={pieces.length === 1 ? (parts[i]?.is ?? 'same') : null}
                  judge={(is) => say({ link: form.id, segment: i, is })}
                />
              ) : (
                <Named
                  key={piece.name}
                  piece={piece}
                  is={isFree(card, form, piece.name) ? 'any' : 'item'}
                  whole={pieces.length === 1}
                  judge={(is) => say({ link: form.id, segment: i, is })}
                  move={(side, by) => tryEdge({ link: form.id, name: piece.name!, side, by })}
                />
              ),
            )}
          </li>
        ))}
        {example!.length > behind && <Taken address={example!} book={book} from={behind} />}
      </ul>
      <p className="stuck mx-1.5 my-0.5 text-amber empty:hidden" role="status">
        {stuck && t('It stays where it was: another example, or the frame address, does not have it so.')}
      </p>
    </>
  );
}

/** The pieces between the slashes of a path. */
function segmentsOf(pieces: readonly Piece[]): Piece[][] {
  const segments: Piece[][] = [];
  for (const piece of pieces)
    if (piece.name !== null) segments.at(-1)?.push(piece);
    else
      piece.text.split('/').forEach((text, i) => {
        if (i > 0) segments.push([]);
        if (text !== '') segments.at(-1)?.push({ text, name: null });
      });
  return segments;
}

interface FixedProps {
  text: string;
  /** Null where it is only part of what stands between two slashes. */
  is: PartIs | null;
  judge: (is: SaidPart['is']) => void;
}

const Fixed = ({ text, is, judge }: FixedProps): ReactElement => (
  <span className="part" data-role="form">
    <code>{text}</code>
    {is === null ? <small>{PART_WORDS.same}</small> : <Judged text={text} is={is} judge={judge} />}
  </span>
);

function Judged({ text, is, judge }: { text: string; is: PartIs; judge: (is: SaidPart['is']) => void }): ReactElement {
  return (
    <ChoiceField
      label={t('What “{text}” is', { text })}
      labelled="hidden"
      value={is}
      options={[
        ['same', PART_WORDS.same],
        ['any', PART_WORDS.any],
      ]}
      set={(next) => next !== 'item' && judge(next)}
    />
  );
}

interface NamedProps {
  piece: Piece;
  is: PartIs;
  /** Whether it is all that stands between two slashes. */
  whole: boolean;
  judge: (is: SaidPart['is']) => void;
  move: (side: MovedEdge['side'], by: number) => void;
}

function Named({ piece: { text }, is, whole, judge, move }: NamedProps): ReactElement {
  const shown = useRef<HTMLElement>(null);
  const width = (): number => (shown.current?.getBoundingClientRect().width ?? 0) / Math.max(text.length, 1) || 1;
  return (
    <span className="part" data-role={is === 'any' ? 'free' : 'identity'}>
      <span className="flex">
        <Edge text={text} side="start" width={width} move={(by) => move('start', by)} />
        <code ref={shown}>{text}</code>
        <Edge text={text} side="end" width={width} move={(by) => move('end', by)} />
      </span>
      {is === 'any' && whole ? <Judged text={text} is={is} judge={judge} /> : <small>{PART_WORDS[is]}</small>}
    </span>
  );
}

interface EdgeProps {
  text: string;
  side: MovedEdge['side'];
  /** Of one character, in pixels. */
  width: () => number;
  move: (by: number) => void;
}

/** Where a part begins or ends: dragged, or moved by arrow keys, a character at a time. */
function Edge({ text, side, width, move }: EdgeProps): ReactElement {
  const [by, setBy] = useState(0);
  const drag = useDrag({
    move: (dx) => setBy(Math.round(dx / width())),
    end: () => {
      if (by !== 0) move(by);
      setBy(0);
    },
  });
  return (
    <span
      role="slider"
      tabIndex={0}
      className="edge"
      data-moved={by !== 0}
      style={{ translate: `${by * width()}px 0` }}
      aria-label={side === 'start' ? t('Where “{text}” begins', { text }) : t('Where “{text}” ends', { text })}
      aria-valuemin={-text.length}
      aria-valuemax={text.length}
      aria-valuenow={by}
      aria-valuetext={
        side === 'start' ? t('before “{sign}”', { sign: text.charAt(0) }) : t('behind “{sign}”', { sign: text.slice(-1) })
      }
      onKeyDown={(event) => {
        const step = Math.sign(arrowStep(event));
        if (step === 0) return;
        event.preventDefault();
        move(step);
      }}
      {...drag}
    />
  );
}
