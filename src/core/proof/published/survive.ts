import { compareBack } from './compare.ts';
import { severityOf, type Loss, type Strips } from './loss.ts';
import { strip } from './strip.ts';

/** A form of code in which the embed could be given instead, and what of the embed it leads to. */
export interface Instead<Form extends string> {
  form: Form;
  leads: 'frame' | 'link';
  code: () => string;
}

/**
 * The form of code of which a site that strips this leaves most, with what it still loses.
 * A link alone is words, which every site keeps; it is taken where nothing of a frame is left.
 */
export function survivor<Form extends string>(
  offered: readonly Instead<Form>[],
  strips: Strips,
): { form: Form; leads: 'frame' | 'link'; losses: readonly Loss[] } {
  const tried = offered.map(({ form, leads, code }) => {
    const text = code();
    return { form, leads, losses: leads === 'link' ? [] : compareBack(text, strip(text, strips)) };
  });
  const weight = (losses: readonly Loss[]): number =>
    losses.reduce((sum, loss) => sum + { error: 1000, warning: matters(loss) ? 10 : 1, note: 0 }[severityOf(loss)], 0);
  // A link does without the frame altogether: only better than a frame that is not there.
  const cost = ({ leads, losses }: (typeof tried)[number]): number => (leads === 'link' ? 500 : weight(losses));
  return tried.reduce((best, one) => (cost(one) < cost(best) ? one : best));
}

/** Losses that change its size or what it does; the others can hardly be seen. */
const matters = (loss: Loss): boolean =>
  loss.code === 'doubled' || loss.code === 'elementGone' || ('name' in loss && (DEEP.has(loss.name) || sizes(loss)));

const DEEP = new Set(['width', 'height', 'aspect-ratio', 'max-width', 'position', 'padding-top', 'src', 'srcdoc', 'allow']);

/** Whether a style that is gone said how large it is. */
const sizes = (loss: Loss): boolean =>
  loss.code === 'attributeGone' && loss.name === 'style' && /width|height|padding/.test(loss.was);
