import type { PlayerMessages } from '../../core/known/hosts/card.ts';
import type { Facts } from '../../core/model/item.ts';
import type { SettingsFix } from '../../core/model/plan.ts';
import type { Embed } from '../../core/pipeline.ts';
import { courseOf } from '../../core/proof/playThrough/course.ts';
import { judge } from '../../core/proof/playThrough/judge.ts';
import type { ProofRow } from '../../core/proof/playThrough/proof.ts';
import type { Looks } from '../../preview/messages.ts';
import { playThrough, type Step } from './run.ts';
import { openStage } from './stage.ts';

interface Playing {
  embed: Embed;
  /** What the page in which it is played shows. */
  code: string;
  /** The embed with other settings laid in. */
  variant: (change: SettingsFix) => Embed;
  facts: Facts;
  player: PlayerMessages | undefined;
  holder: HTMLElement;
  looks: Looks;
  step: (step: Step) => void;
}

/** Plays an embed through; `rows` never comes where it is called off. */
export function playEmbed({ embed, code, variant, facts, player, holder, looks, step }: Playing): {
  rows: Promise<ProofRow[]>;
  stop: () => void;
} {
  const { item, settings } = embed;
  const abort = new AbortController();
  const course = courseOf({
    item,
    settings,
    facts,
    player,
    would: (change) => variant(change).plan.entries.find((entry) => entry.setting in change)?.state ?? 'not offered',
  });
  const stage = openStage({ holder, looks, player });
  const seen = playThrough({
    course,
    code,
    endCode: course.end?.by === 'visit' ? variant(course.end.change).code.text : null,
    stage,
    step,
    wait: waiting(abort.signal),
  });
  const rows = seen
    .then((one) => judge({ kind: item.kind, settings }, { ...one, author: facts.author }))
    .catch((error: unknown) => {
      if (!abort.signal.aborted) throw error;
      return new Promise<never>(() => undefined);
    });
  return {
    rows,
    stop: () => {
      abort.abort();
      stage.close();
    },
  };
}

/** Milliseconds between two looks at what is waited for. */
const POLL = 50;

const waiting =
  (signal: AbortSignal) =>
  async (ms: number, until?: () => boolean): Promise<void> => {
    for (const deadline = performance.now() + ms; performance.now() < deadline && !until?.();) {
      await new Promise((done) => setTimeout(done, POLL));
      signal.throwIfAborted();
    }
  };
