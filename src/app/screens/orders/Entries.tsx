import {
  closestCenter,
  DndContext,
  type Over,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { Button } from '@mui/material';
import { useMemo, useState, type ComponentProps, type ReactElement } from 'react';
import { showTime } from '../../../core/model/time.ts';
import type { Entry } from '../../../core/order/order.ts';
import type { PlayNote } from '../../../core/order/plays.ts';
import { hasParts, headingsIn, intoChapters } from '../../../core/order/split.ts';
import { sayPlayNote } from '../../../messages/order.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import type { NamedText } from '../../ui/files.ts';
import { SaidMost } from '../../ui/SaidMost.tsx';
import { ClipRail } from './ClipRail.tsx';
import { t } from '../../../messages/t.ts';
import { TimeField } from '../../fields/TimeField.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  entries: readonly Entry[];
  notes: readonly (readonly PlayNote[])[];
  set: (entries: Entry[]) => void;
}

/** More than this is laid out on request only: a feed may have thousands. */
const SHOWN = 60;

/** The entries in their order, moved by mouse, touch or keyboard, each with its clip. */
export function Entries({ entries, notes, set }: Props): ReactElement {
  const [most, setMost] = useState(SHOWN);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moved = ({ active, over }: DragEndEvent): void => {
    const at = (id: unknown): number => entries.findIndex((one) => one.id === id);
    if (over && active.id !== over.id) set(arrayMove([...entries], at(active.id), at(over.id)));
  };
  const whole = entries.reduce((sum, { seconds, from = 0, until }) => sum + Math.max((until ?? seconds ?? from) - from, 0), 0);
  const shown = entries.slice(0, most);
  return (
    <>
      <p className="text-quiet">
        {t('{count, plural, one {# entry} other {# entries}}', { count: entries.length })}
        {whole > 0 && t(', {whole} in all as far as lengths are known', { whole: showTime(Math.round(whole)) })}
      </p>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={moved} accessibility={MOVING}>
        <SortableContext items={shown.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol className="order-entries [&_small]:wrap-anywhere" aria-label={t('Entries in their order')}>
            {shown.map((entry, i) => (
              <Row
                key={entry.id}
                entry={entry}
                place={i + 1}
                notes={notes[i] ?? []}
                set={(next) => set(entries.map((one) => (one.id === entry.id ? { ...one, ...next } : one)))}
                remove={() => set(entries.filter((one) => one.id !== entry.id))}
                split={(chapters) =>
                  set(entries.flatMap((one) => (one.id === entry.id ? intoChapters({ ...one, chapters }) : [one])))
                }
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {entries.length > most && (
        <Button onClick={() => setMost(most + 500)}>
          {t('Show {count} more', { count: Math.min(500, entries.length - most) })}
        </Button>
      )}
    </>
  );
}

interface RowProps {
  entry: Entry;
  place: number;
  notes: readonly PlayNote[];
  set: (next: Partial<Entry>) => void;
  remove: () => void;
  /** These chapters as entries of their own. */
  split: (chapters: Entry['chapters']) => void;
}

function Row({ entry, place, notes, set, remove, split }: RowProps): ReactElement {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: entry.id });
  const name = entry.title || entry.address;
  const [said, setSaid] = useState('');
  const headings = useMemo(() => headingsIn(entry.transcript), [entry.transcript]);
  const takeWords = async ([file]: NamedText[]): Promise<void> => {
    if (!file) return;
    const [{ readCues }, { readChapters }] = await Promise.all([
      import('../../../core/order/cues/cues.ts'),
      import('../../../core/order/cues/chapters.ts'),
    ]);
    const chapters = readChapters(file.text);
    const cues = chapters ? null : await readCues(file.text);
    if (chapters) set({ chapters });
    if (cues) set({ transcript: cues });
    setSaid(
      chapters
        ? t('{count, plural, one {# chapter.} other {# chapters.}}', { count: chapters.length })
        : cues
          ? t('A transcript of {count, plural, one {# line} other {# lines}}.', { count: cues.length })
          : t('This is neither WebVTT, SubRip nor JSON chapters.'),
    );
  };
  return (
    <li
      ref={setNodeRef}
      className="grid grid-cols-[40px_minmax(0,1fr)] gap-2 border-t border-hair bg-ground py-2"
      style={{ transform: transform ? `translate3d(${transform.x}px,${transform.y}px,0)` : undefined, transition }}
    >
      <button
        type="button"
        className="order-handle min-h-8 cursor-grab touch-none border border-hair bg-pane text-quiet"
        aria-label={t('Move {name}', { name })}
        {...attributes}
        {...listeners}
      >
        {place}
      </button>
      <div className="grid gap-0.5">
        <WordsField
          label={t('Title of entry {place}', { place })}
          labelled="hidden"
          placeholder={entry.address}
          value={entry.title}
          set={(title) => set({ title })}
        />
        <small className="text-quiet">{entry.address}</small>
        {entry.seconds !== undefined && <ClipRail entry={entry} place={place} seconds={entry.seconds} set={set} />}
        <span className="line gap-x-3 gap-y-1 [&_.box]:w-[72px]">
          <TimeField
            label={t('from')}
            name={t('Entry {place} from', { place })}
            placeholder="0:00"
            value={entry.from}
            set={(from) => set({ from })}
          />
          <TimeField
            label={t('until')}
            name={t('Entry {place} until', { place })}
            placeholder={t('its end')}
            value={entry.until}
            set={(until) => set({ until })}
          />
          <TextFileButton
            words={entry.transcript.length > 0 ? t('Other transcript') : t('Transcript or chapters')}
            accept=".vtt,.srt,.json"
            give={takeWords}
          />
          {hasParts(entry) && (
            <Button aria-label={t('Make entries of the chapters of {name}', { name })} onClick={() => split(entry.chapters)}>
              {t('Chapters as entries')}
            </Button>
          )}
          {!hasParts(entry) && hasParts({ ...entry, chapters: headings }) && (
            <Button aria-label={t('Make entries of the parts of {name}', { name })} onClick={() => split(headings)}>
              {t('Parts as entries, by the headings of its transcript')}
            </Button>
          )}
          <Button aria-label={t('Remove {name}', { name })} onClick={remove}>
            {t('Remove')}
          </Button>
        </span>
        {said !== '' && <small role="status">{said}</small>}
        {entry.transcript.length > 0 && <Transcript transcript={entry.transcript} />}
        {notes.map((note) => (
          <small key={note} className="text-amber">
            {sayPlayNote(note)}
          </small>
        ))}
      </div>
    </li>
  );
}

const placeOf = (data: Over['data']): number => (data.current as { sortable: { index: number } }).sortable.index + 1;

/** What screen readers say of moving an entry. */
const MOVING: ComponentProps<typeof DndContext>['accessibility'] = {
  screenReaderInstructions: {
    draggable: t('Press space to take the entry up, the arrow keys to move it, space to put it down, and escape to leave it.'),
  },
  announcements: {
    onDragStart: ({ active }) => t('Entry {place} is taken up.', { place: placeOf(active.data) }),
    onDragOver: ({ over }) => (over ? t('It is now at place {place}.', { place: placeOf(over.data) }) : undefined),
    onDragEnd: ({ over }) => (over ? t('It is put down at place {place}.', { place: placeOf(over.data) }) : undefined),
    onDragCancel: () => t('It stays where it was.'),
  },
};

/** What the transcript is about; counted when somebody looks, since it may have thousands of lines. */
function Transcript({ transcript }: Pick<Entry, 'transcript'>): ReactElement {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>{t('{count, plural, one {# line} other {# lines}}; said most', { count: transcript.length })}</summary>
      {open && <SaidMost transcript={transcript} />}
    </details>
  );
}
