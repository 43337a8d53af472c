import { z } from 'zod';
import type { Page } from 'puppeteer-core';

/** What became of the frames of one scroll, by the browser's own reports on each (Chromium's `PipelineReporter`). */
export interface Scrolled {
  /** Frames that were drawn while it scrolled. */
  drawn: number;
  /** Frames that were due and did not come: the movement stood still for that long. */
  dropped: number;
  /** Drawn frames in which a part had not yet been painted. */
  unpainted: number;
}

const reports = z.object({
  traceEvents: z.array(
    z.object({
      name: z.string(),
      ph: z.string(),
      args: z.object({
        frame_reporter: z
          .object({
            frame_sequence: z.number(),
            state: z.string(),
            scroll_state: z.string(),
            affects_smoothness: z.boolean(),
            has_missing_content: z.boolean(),
          })
          .optional(),
      }),
    }),
  ),
});

/** Seconds for which it scrolls. */
const LASTS = 3;

/** Turns the wheel over an element, at so many pixels a second, and gives what became of the frames. */
export async function scrollBy(page: Page, selector: string, speed: number): Promise<Scrolled> {
  const middle = await page.$eval(selector, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  const devtools = await page.createCDPSession();
  await page.tracing.start({ categories: ['disabled-by-default-devtools.timeline.frame'] });
  const from = await page.$eval(selector, (element) => element.scrollTop);
  await devtools.send('Input.synthesizeScrollGesture', {
    ...middle,
    yDistance: -speed * LASTS,
    speed,
    gestureSourceType: 'mouse',
  });
  const trace = (await page.tracing.stop())!;
  await devtools.detach();
  const way = (await page.$eval(selector, (element) => element.scrollTop)) - from;
  if (way < speed * LASTS * 0.99) throw new Error(`scrolled ${way} px only`);
  const { traceEvents } = reports.parse(JSON.parse(Buffer.from(trace).toString()));
  // Only the page scrolls: reports of the window around it, and of what stands still, do not say so.
  const frames = traceEvents.flatMap(({ name, ph, args: { frame_reporter: frame } }) =>
    name === 'PipelineReporter' && ph === 'b' && frame && frame.scroll_state !== 'SCROLL_NONE' ? frame : [],
  );
  const drawn = frames.filter(({ state }) => state.startsWith('STATE_PRESENTED'));
  return {
    drawn: counted(drawn),
    dropped: counted(frames.filter(({ state, affects_smoothness }) => state === 'STATE_DROPPED' && affects_smoothness)),
    unpainted: counted(drawn.filter((frame) => frame.has_missing_content)),
  };
}

/** A frame may be reported twice: as the compositor moved it, and with what the page drew. */
const counted = (frames: readonly { frame_sequence: number }[]): number => new Set(frames.map((f) => f.frame_sequence)).size;
