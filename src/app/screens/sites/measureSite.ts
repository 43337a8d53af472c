import type { Measures } from '../../../core/known/sites/measures.ts';
import { fromPreview, type ToPreview } from '../../../preview/messages.ts';
import { PREVIEW } from '../../preview.ts';

/** Has a saved page measured in the preview's origin, where nothing of it can reach the application. */
export function measureSite(html: string, styles: readonly string[]): Promise<Measures> {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', 'allow-scripts allow-same-origin');
  frame.className = 'hidden-words';
  frame.title = 'Measuring';
  frame.src = `${PREVIEW}/`;
  return new Promise((done) => {
    const listen = ({ source, origin, data }: MessageEvent<unknown>): void => {
      if (origin !== PREVIEW || source !== frame.contentWindow) return;
      const message = fromPreview.safeParse(data).data;
      if (message?.kind === 'open')
        frame.contentWindow!.postMessage({ kind: 'measure', html, styles: [...styles] } satisfies ToPreview, PREVIEW);
      if (message?.kind !== 'measured') return;
      window.removeEventListener('message', listen);
      frame.remove();
      done(message.measures);
    };
    window.addEventListener('message', listen);
    document.body.append(frame);
  });
}
