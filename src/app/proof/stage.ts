import type { PlayerMessages } from '../../core/known/hosts/card.ts';
import { readReport, requestFor } from '../../core/known/hosts/playerReport.ts';
import type { Seen } from '../../core/proof/playThrough/proof.ts';
import { fromPreview, type Looks, type ToPreview } from '../../preview/messages.ts';
import { PREVIEW } from '../preview.ts';
import type { Stage } from './run.ts';
import { t } from '../../messages/t.ts';

interface Setting {
  /** Element that the page is put into. */
  holder: HTMLElement;
  looks: Looks;
  player: PlayerMessages | undefined;
  /** Everything that the player says, as it is. */
  heard?: (message: unknown) => void;
}

/** A page in the preview's origin for each visit, as a signed-out visitor who was never here gets it. */
export function openStage({ holder, looks, player, heard }: Setting): Stage & { close: () => void } {
  let frame: HTMLIFrameElement | null = null;
  let hear: (message: ReturnType<typeof fromPreview.parse>) => void = () => undefined;
  const post = (message: ToPreview): void => frame?.contentWindow?.postMessage(message, PREVIEW);
  const listen = ({ source, origin, data }: MessageEvent<unknown>): void => {
    if (origin !== PREVIEW || source === null || source !== frame?.contentWindow) return;
    const message = fromPreview.safeParse(data).data;
    if (message?.kind === 'player') heard?.(message.data);
    if (message) hear(message);
  };
  window.addEventListener('message', listen);
  const once = <Kind extends string>(kind: Kind): Promise<Extract<ReturnType<typeof fromPreview.parse>, { kind: Kind }>> =>
    new Promise((done) => {
      const before = hear;
      hear = (message) => {
        before(message);
        if (message.kind !== kind) return;
        hear = before;
        done(message as never);
      };
    });

  return {
    show: async (code, pressed, see) => {
      frame = visitorFrame(pressed);
      hear = () => undefined;
      const opened = once('open');
      holder.replaceChildren(frame);
      await opened;
      const began = performance.now();
      const at = (): number => Math.round(performance.now() - began);
      hear = (message) => {
        const seen = seenIn(message, player);
        if (seen) see({ at: at(), ...seen });
      };
      post({ kind: 'show', code, looks, pressed });
      return at;
    },
    ask: (what, time = 0) => {
      const message = player && requestFor(player, what, time);
      if (player) return message === undefined ? undefined : post({ kind: 'ask', message: message as never });
      post({ kind: 'press', what, time });
    },
    pressCover: () => post({ kind: 'press', what: 'cover' }),
    requests: async () => {
      const told = once('requests');
      post({ kind: 'requests' });
      return (await told).from;
    },
    close: () => {
      window.removeEventListener('message', listen);
      holder.replaceChildren();
    },
  };
}

/** `credentialless` gives the frame an empty store of its own, where the browser knows it (Anonymous iframe, WICG). */
function visitorFrame(pressed: boolean): HTMLIFrameElement {
  const frame = document.createElement('iframe');
  frame.setAttribute('credentialless', '');
  frame.setAttribute('sandbox', 'allow-scripts allow-same-origin allow-popups allow-forms allow-presentation');
  // The press that began the run stands for the visitor's own, and for nothing where the visitor has not pressed yet.
  frame.allow = `fullscreen; picture-in-picture; encrypted-media${pressed ? '; autoplay' : ''}`;
  frame.title = t('The play-through');
  frame.src = `${PREVIEW}/`;
  return frame;
}

type SeenThere = Extract<Seen, { what: 'report' }>;

function seenIn(
  message: ReturnType<typeof fromPreview.parse>,
  player: PlayerMessages | undefined,
): Omit<SeenThere, 'at'> | undefined {
  if (message.kind === 'media') return { what: 'report', report: message };
  const report = message.kind === 'player' && player ? readReport(player, message.data) : undefined;
  return report && { what: 'report', report };
}
