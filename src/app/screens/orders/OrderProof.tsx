import { Button } from '@mui/material';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { orderForm } from '../../../core/order/forms/list.ts';
import type { Order } from '../../../core/order/order.ts';
import { pageOf } from '../../../core/order/page/page.ts';
import {
  isShown,
  judgeProbe,
  orderReport,
  probeOrder,
  probesOf,
  type OrderReport,
  type Probe,
  type ProbeVerdict,
} from '../../../core/order/proof.ts';
import type { Site } from '../../../core/model/site.ts';
import { sayProved } from '../../../messages/order.ts';
import { looksOf } from '../../preview.ts';
import { openStage } from '../../proof/stage.ts';
import { selectBook, selectStyles } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';

/** Milliseconds after which an edge that shows nothing more is given up, and between two looks at it. */
const PATIENCE = 15_000;
const POLL = 100;
/** More than so many are not waited for by anybody. */
const MOST = 40;
const BARE = { heading: '', before: '', caption: '', after: '' };

interface Seen {
  probe: Probe;
  verdict: ProbeVerdict;
}

/** Plays the edges of each entry in the preview, and says what was seen: where it begins, where it ends, whether it goes on. */
export function OrderProof({ order, site }: { order: Order; site: Site }): ReactElement {
  const store = useStore() as Store;
  const holder = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  const [running, setRunning] = useState<AbortController | null>(null);
  useEffect(() => () => running?.abort(), [running]);
  const start = async (): Promise<void> => {
    const stop = new AbortController();
    setRunning(stop);
    setSeen([]);
    await playThrough(order, {
      site,
      store,
      holder: holder.current!,
      signal: stop.signal,
      tell: (one) => setSeen((all) => [...all, one]),
    });
    setRunning(null);
  };
  const right = seen.filter(({ verdict }) => verdict.code === 'right').length;
  return (
    <section className="[&_ul]:mt-1 [&_ul]:mb-0" aria-label={t('Play-through')}>
      {running ? (
        <Button variant="outlined" onClick={() => running.abort()}>
          {t('Stop')}
        </Button>
      ) : (
        <Button variant="outlined" onClick={() => void start()}>
          {t('Play it through')}
        </Button>
      )}{' '}
      <span role="status">
        {running
          ? t('Playing the beginning and the end of each entry, without sound: {seen} seen.', { seen: seen.length })
          : seen.length > 0 && t('{right} of {seen} as they should be.', { right, seen: seen.length })}
      </span>
      <div
        ref={holder}
        className="[&>iframe]:h-[260px] [&>iframe]:w-full [&>iframe]:border [&>iframe]:border-hair"
        hidden={!running}
      />
      <ul>
        {seen.map(({ probe, verdict }, i) => (
          <li key={i} className={verdict.code === 'right' ? 'marked border-l-green' : 'marked border-double border-l-amber'}>
            {sayProved(probe, verdict, order)}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface Run {
  site: Site;
  store: Store;
  holder: HTMLElement;
  signal: AbortSignal;
  tell: (seen: Seen) => void;
}

async function playThrough(order: Order, { site, store, holder, signal, tell }: Run): Promise<void> {
  const state = store.getState();
  const book = selectBook(state);
  const probes = probesOf(order).slice(0, MOST);
  for (const [i, probe] of probes.entries()) {
    if (signal.aborted) return;
    let reports: readonly OrderReport[] = [];
    const stage = openStage({
      holder,
      looks: { ...looksOf(site, state.view.theme === 'night'), column: 1400, sample: BARE },
      player: undefined,
      heard: (message) => {
        const report = orderReport.safeParse(message).data;
        if (report) reports = [...reports, report];
      },
    });
    const short = probeOrder(order, probes, i);
    void stage.show(
      orderForm('whole').write(short, pageOf(short, { book, site, style: selectStyles(state)[site.id] }), ''),
      true,
      () => undefined,
    );
    const begun = performance.now();
    while (!signal.aborted && !isShown(reports) && performance.now() - begun < PATIENCE)
      await new Promise((done) => setTimeout(done, POLL));
    stage.close();
    if (!signal.aborted) tell({ probe, verdict: judgeProbe(probe, reports) });
  }
}
