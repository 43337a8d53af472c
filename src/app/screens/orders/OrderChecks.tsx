import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { checkOrder, ORDER_CHECKS, remedied } from '../../../core/order/checks/list.ts';
import type { OrderCheck, OrderFinding } from '../../../core/order/checks/rule.ts';
import type { Order } from '../../../core/order/order.ts';
import type { OrderPage } from '../../../core/order/page/page.ts';
import type { Reached } from '../../../core/proof/reach/reached.ts';
import type { Site } from '../../../core/model/site.ts';
import { sayOrderFinding, sayOrderRemedy } from '../../../messages/order.ts';
import { ONCE, server } from '../../state/server.ts';
import { useAppDispatch, type Dispatch } from '../../state/store.ts';
import { FindingRow } from '../../ui/FindingRow.tsx';
import { sizeOf } from './sizeOf.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  order: Order;
  page: OrderPage;
  site: Site;
  change: (to: (before: Order) => Order) => void;
}

type Answers = ReadonlyMap<string, readonly Reached[]>;

/** What would go wrong with the running order, each with what puts it right. */
export function OrderChecks({ order, page, site, change }: Props): ReactElement | null {
  const dispatch = useAppDispatch();
  const [reached, setReached] = useState<Answers>(new Map());
  const [asking, setAsking] = useState(false);
  if (order.entries.length === 0) return null;
  const { played } = page;
  const found = checkOrder({ order, site, played, weight: sizeOf(page.html), reached });
  const failing = new Set(found.map(({ code }) => code));
  const looked = ORDER_CHECKS.filter(({ id }) => id !== 'unreachable' || reached.size > 0);
  const ask = async (): Promise<void> => {
    setAsking(true);
    setReached(await askAll(order, { page, site, dispatch }));
    setAsking(false);
  };
  return (
    <section aria-label={t('Checks')}>
      <h2>
        {t('Checks')} <small>{t('{passed} of {all} passed', { passed: looked.length - failing.size, all: looked.length })}</small>{' '}
        <Button disabled={asking} onClick={() => void ask()}>
          {asking ? t('Asking …') : t('Ask whether visitors get each entry')}
        </Button>
      </h2>
      <ul>
        {found.map((finding) => (
          <Row key={finding.code} finding={finding} order={order} change={change} />
        ))}
      </ul>
    </section>
  );
}

function Row({ finding, order, change }: Pick<Props, 'order' | 'change'> & { finding: OrderFinding }): ReactElement {
  const press = sayOrderRemedy(finding);
  return (
    <FindingRow
      severity={finding.severity}
      words={sayOrderFinding(finding, order)}
      about={t(ORDER_CHECKS.find(({ id }: OrderCheck) => id === finding.code)!.about)}
    >
      {press !== null && (
        <Button variant="outlined" onClick={() => change((before) => remedied(before, finding))}>
          {press}
        </Button>
      )}
    </FindingRow>
  );
}

/** Asks one after the other, as visitors of the site. */
async function askAll(
  { entries }: Order,
  { page, site, dispatch }: { page: OrderPage; site: Site; dispatch: Dispatch },
): Promise<Answers> {
  const answers = new Map<string, readonly Reached[]>();
  for (const [i, { address }] of entries.entries()) {
    const { plays } = page.played[i] ?? {};
    if (!plays || plays.by === 'link') continue;
    const { data } = await dispatch(server.endpoints.reached.initiate({ url: plays.src, site: site.address }, ONCE));
    if (data) answers.set(address, data.reached);
  }
  return answers;
}
