import { useRef, type ReactElement } from 'react';
import { shallowEqual } from 'react-redux';
import type { Kind } from '../../../core/model/kind.ts';
import { showTime } from '../../../core/model/time.ts';
import { changed, gestureEnded } from '../../state/bench.ts';
import { selectEmbed, selectFacts, selectItem } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type State } from '../../state/store.ts';
import { pointedAt } from '../../state/view.ts';
import { arrowStep, useDrag } from '../../ui/useDrag.ts';
import { t } from '../../../messages/t.ts';

/** The rail: the duration, or the pages, with the marks that a publisher drags. */
export function Rail(): ReactElement | null {
  const item = useAppSelector(selectItem);
  const facts = useAppSelector(selectFacts);
  const reported = useAppSelector((state) => state.view.player.duration);
  if (!item) return <div className="rail" />;
  const sheets = SHEETS[item.kind];
  if (sheets)
    return facts.pages ? (
      <PageRail pages={facts.pages} sheet={sheets} />
    ) : (
      <RailWords words={t('How many there are is not known.')} />
    );
  if (item.kind === 'map') return <ZoomRail />;
  const words = item.scope === 'item' || item.kind === 'album' ? STANDING[item.kind] : ONE_BY_ONE;
  if (words) return <RailWords words={words} />;
  const duration = facts.duration ?? reported;
  return duration ? <TimeRail duration={duration} /> : <RailWords words={t('The duration is not known yet.')} />;
}

/** What is turned or walked through, by kind. */
const SHEETS: { readonly [K in Kind]?: string } = { document: t('page'), slideshow: t('slide'), booklet: t('page') };
const ONE_BY_ONE = t('A playlist: one after the other, each from its beginning.');
/** Kinds that do not last: what happens is over when it is there. */
const STANDING: { readonly [K in Kind]?: string } = {
  live: t('Live: it begins when the visitor comes, and has no end.'),
  chat: t('A chat: it goes on for as long as people talk.'),
  schedule: t('A schedule: it stands there, and changes with the week.'),
  form: t('A form: it begins when the visitor writes, and ends when it is sent.'),
  loop: t('A short loop: it begins again and again by itself.'),
  album: t('An album: visitors go from photo to photo themselves.'),
  picture: t('A picture: it stands there.'),
  page: t('Nothing is known yet of what happens in this frame.'),
};
const NEAREST = 19;

/** A map has no time; what it begins with is how near it is. */
function ZoomRail(): ReactElement {
  const asked = useAppSelector((state) => selectEmbed(state)!.settings.zoom);
  const zoom = Math.min(NEAREST, Number(asked ?? 1));
  const words = asked === undefined ? t('zoom as usual') : t('zoom {zoom}', { zoom });
  return (
    <div className="rail">
      <div className="rail-line">
        {Array.from({ length: NEAREST }, (_, i) => (
          <i key={i} className="absolute -top-1 h-3 w-px bg-line" style={{ left: `${(i / (NEAREST - 1)) * 100}%` }} />
        ))}
        <Mark
          id="zoom"
          name={t('Map zoom')}
          value={zoom}
          least={1}
          most={NEAREST}
          words={words}
          left={`${((zoom - 1) / (NEAREST - 1)) * 100}%`}
        />
      </div>
    </div>
  );
}

const RailWords = ({ words }: { words: string }): ReactElement => (
  <div className="rail">
    <div className="rail-line" />
    <p className="absolute inset-x-0 top-0.5 m-0 text-center text-quiet">{words}</p>
  </div>
);

/** What is asked of the time, and whether the host does it. */
function selectStretch(state: State) {
  const { settings, plan } = selectEmbed(state)!;
  const { start, end, loop } = settings;
  const refused = plan.entries.some((e) => (e.setting === 'start' || e.setting === 'end') && e.state.startsWith('not'));
  return { start, end, loop, honoured: !refused };
}

function TimeRail({ duration }: { duration: number }): ReactElement {
  const stretch = useAppSelector(selectStretch, shallowEqual);
  const now = useAppSelector((state) => state.view.player.time);
  const start = Math.min(Number(stretch.start ?? 0), duration);
  const end = Math.min(Number(stretch.end ?? duration), duration);
  const at = (seconds: number): string => `${(Math.min(seconds, duration) / duration) * 100}%`;
  return (
    <div className="rail">
      <div className="rail-line">
        <div
          className="rail-played"
          data-honoured={stretch.honoured}
          style={{ left: at(start), width: at(Math.max(0, end - start)) }}
        />
        {stretch.loop === 'on' && (
          <svg
            className="rail-loop absolute bottom-1.5 h-4.5 overflow-visible"
            style={{ left: at(start), width: at(Math.max(0, end - start)) }}
            viewBox="0 0 100 20"
            preserveAspectRatio="none"
            role="img"
            aria-label={t('begins again')}
          >
            <path d="M99 20 V6 Q99 2 95 2 H5 Q1 2 1 6 V18" vectorEffect="non-scaling-stroke" />
          </svg>
        )}
        {now !== undefined && <i className="absolute -top-[5px] -ml-px h-3.5 w-0.5 bg-amber" style={{ left: at(now) }} />}
        <Mark id="start" name={t('Start')} value={start} most={duration} words={showTime(start)} left={at(start)} />
        <Mark id="end" name={t('End')} value={end} most={duration} words={showTime(end)} left={at(end)} />
      </div>
    </div>
  );
}

function selectTurning(state: State) {
  const { page, interval, loop } = selectEmbed(state)!.settings;
  return { page, interval, loop };
}

function PageRail({ pages, sheet }: { pages: number; sheet: string }): ReactElement {
  const settings = useAppSelector(selectTurning, shallowEqual);
  const page = Math.min(Number(settings.page ?? 1), pages);
  const interval = settings.interval === undefined ? undefined : Number(settings.interval);
  const at = (n: number): string => (pages === 1 ? '0%' : `${((n - 1) / (pages - 1)) * 100}%`);
  return (
    <div className="rail">
      <div className="rail-line">
        {Array.from({ length: Math.min(pages, 200) }, (_, i) => (
          <i key={i} className="absolute -top-1 h-3 w-px bg-line" style={{ left: at(i + 1) }} />
        ))}
        <Mark
          id="page"
          name={t('Start {sheet}', { sheet })}
          value={page}
          least={1}
          most={pages}
          words={t('{sheet} {page} of {pages}', { sheet, page, pages })}
          left={at(page)}
        />
      </div>
      {interval !== undefined && (
        <p className="absolute inset-x-0 top-0.5 m-0 text-center text-quiet">
          {settings.loop === 'on'
            ? t('{sheet} by {sheet}, each {each}: {whole} in all, then again', {
                sheet,
                each: showTime(interval),
                whole: showTime(Math.round(interval * (pages - page + 1))),
              })
            : t('{sheet} by {sheet}, each {each}: {whole} in all', {
                sheet,
                each: showTime(interval),
                whole: showTime(Math.round(interval * (pages - page + 1))),
              })}
        </p>
      )}
    </div>
  );
}

interface MarkProps {
  id: 'start' | 'end' | 'page' | 'zoom';
  name: string;
  value: number;
  least?: number;
  most: number;
  words: string;
  left: string;
}

/** A mark on the rail. At its own end of the rail it means: leave it to the host. */
function Mark({ id, name, value, least = 0, most, words, left }: MarkProps): ReactElement {
  const dispatch = useAppDispatch();
  const element = useRef<HTMLSpanElement>(null);
  const from = useRef({ value, line: 1 });
  const set = (next: number): void => {
    const tidy = Math.round(Math.min(most, Math.max(least, next)));
    const home = id === 'end' ? tidy >= Math.floor(most) : tidy <= least;
    dispatch(changed({ change: { [id]: home ? null : tidy }, gesture: `rail-${id}` }));
  };
  const drag = useDrag({
    begin: () => {
      from.current = { value, line: element.current!.parentElement!.clientWidth };
    },
    move: (dx) => set(from.current.value + (dx / from.current.line) * (most - least)),
    end: () => dispatch(gestureEnded()),
  });
  const point = (on: boolean) => (): void => void dispatch(pointedAt(on ? id : null));
  return (
    <span
      ref={element}
      role="slider"
      tabIndex={0}
      className="rail-mark"
      data-mark={id}
      data-words={words}
      style={{ left }}
      aria-label={name}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={words}
      onMouseEnter={point(true)}
      onMouseLeave={point(false)}
      onFocus={point(true)}
      onBlur={point(false)}
      onKeyDown={(event) => {
        const step = event.key === 'Home' ? -most : event.key === 'End' ? most : arrowStep(event);
        if (step === 0) return;
        event.preventDefault();
        set(value + step);
      }}
      {...drag}
    />
  );
}
