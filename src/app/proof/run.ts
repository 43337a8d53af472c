import { SHORTLY, type Course } from '../../core/proof/playThrough/course.ts';
import { overIn, reportsOf } from '../../core/proof/playThrough/seen.ts';
import type { Seen, Sighting } from '../../core/proof/playThrough/proof.ts';

/** The page in which an embed is played through. */
export interface Stage {
  /** Puts the code into a fresh page, pressed or not, and tells what is seen there; gives a clock in milliseconds from then. */
  show: (code: string, pressed: boolean, see: (one: Seen) => void) => Promise<() => number>;
  ask: (what: 'play' | 'seek', time?: number) => void;
  pressCover: () => void;
  /** Origins other than the page's own that were asked for anything so far. */
  requests: () => Promise<readonly string[]>;
}

export type Step = 'arrive' | 'begin' | 'during' | 'end';

interface Run {
  course: Course;
  code: string;
  /** The code of the visit that begins shortly before the end, where the course has one. */
  endCode: string | null;
  stage: Stage;
  step: (step: Step) => void;
  /** Waits so many milliseconds, or until something holds; throws when the run is called off. */
  wait: (ms: number, until?: () => boolean) => Promise<void>;
}

/** Milliseconds that a visitor would wait too. */
const PATIENCE = { answer: 15_000, cover: 1500, itself: 4000, settle: 400, pressed: 6000, look: 1300, over: 15_000, after: 2500 };

const plays = (seen: readonly Seen[]): boolean => reportsOf(seen).some(({ event }) => event === 'playing');

/** Plays an embed through without sitting through the whole of it: its beginning, and what happens at its end. */
export async function playThrough(run: Run): Promise<Omit<Sighting, 'author'>> {
  const { course, stage, step } = run;
  step('arrive');
  const visit: Seen[] = [];
  let log = await open(run, run.code, visit);
  visit.push({ at: 0, what: 'loaded', from: await stage.requests() });
  if (course.silent) {
    step('end');
    if (run.endCode !== null) await stage.show(run.endCode, true, () => undefined);
    return { visit, end: [] };
  }
  step('begin');
  if (course.how === 'plays') log = await begin(run, visit, log);
  step('during');
  await watch(run, visit);
  step('end');
  if (course.end?.by === 'visit' && run.endCode !== null) {
    const end: Seen[] = [];
    await press(run, run.endCode, end);
    await untilOver(run, end);
    return { visit, end };
  }
  const over = course.over ?? reportsOf(visit).findLast(({ duration }) => duration !== undefined)?.duration;
  if (course.end?.by !== 'seek' || over === undefined || !plays(visit)) return { visit, end: [] };
  const from = visit.length;
  log('seek');
  stage.ask('seek', Math.max(0, over - SHORTLY));
  await untilOver(run, visit, from);
  return { visit: visit.slice(0, from), end: visit.slice(from) };
}

type Log = (did: 'press' | 'seek') => void;

/** A visitor comes, and has pressed nothing. */
async function open({ course, stage, wait }: Run, code: string, seen: Seen[]): Promise<Log> {
  const clock = await stage.show(code, false, (one) => seen.push(one));
  if (course.covered) await wait(PATIENCE.cover);
  else await wait(course.silent ? PATIENCE.cover : PATIENCE.answer, () => reportsOf(seen).length > 0);
  return (did) => seen.push({ at: clock(), what: 'did', did });
}

/** A visitor comes and presses: the cover where there is one, and play. */
async function press({ course, stage, wait }: Run, code: string, seen: Seen[]): Promise<Log> {
  const clock = await stage.show(code, true, (one) => seen.push(one));
  if (course.covered) stage.pressCover();
  const from = seen.length;
  await wait(PATIENCE.answer, () => seen.length > from);
  await wait(PATIENCE.settle, () => plays(seen.slice(from)));
  if (!plays(seen.slice(from))) stage.ask('play');
  await wait(PATIENCE.pressed, () => plays(seen.slice(from)));
  return (did) => seen.push({ at: clock(), what: 'did', did });
}

/** Waits whether it begins by itself; otherwise presses. */
async function begin(run: Run, seen: Seen[], log: Log): Promise<Log> {
  if (!run.course.covered) await run.wait(PATIENCE.itself, () => plays(seen));
  if (plays(seen)) return log;
  log('press');
  return press(run, run.code, seen);
}

/** Long enough to see two pages turn, or to see where it plays. */
async function watch({ course, wait }: Run, seen: readonly Seen[]): Promise<void> {
  if (course.how === 'plays') return wait(PATIENCE.look);
  if (course.interval === null) return;
  const pages = (): number => new Set(reportsOf(seen).map(({ page }) => page)).size;
  await wait(Math.min(20_000, course.interval * 2500 + 2000), () => pages() > 2);
}

async function untilOver({ course, wait }: Run, seen: readonly Seen[], from = 0): Promise<void> {
  const over = (): boolean =>
    overIn(seen.slice(from)) !== undefined ||
    reportsOf(seen.slice(from)).some(({ event, page }) => event === 'ended' || page === 1);
  await wait(course.interval === null ? SHORTLY * 1000 + PATIENCE.over : course.interval * 3000 + PATIENCE.over, over);
  await wait(over() ? PATIENCE.after : 0);
}
