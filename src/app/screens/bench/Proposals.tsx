import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { Item } from '../../../core/model/item.ts';
import { propose } from '../../../core/teach/propose.ts';
import { saySetting } from '../../../messages/settings.ts';
import { selectCard } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { keepProposal } from '../../state/teachParameter.ts';
import { t } from '../../../messages/t.ts';

/** What a host may have besides what is known of it: guesses, told as guesses. */
export function Proposals({ item }: { item: Item }): ReactElement | null {
  const store = useStore() as Store;
  const card = useAppSelector(selectCard);
  const proposals = propose(item.kind, item.unknown, card ?? undefined);
  if (proposals.length === 0) return null;
  return (
    <details className="what-it-does [&_summary]:cursor-pointer" open={item.host === null && item.unknown.length === 0}>
      <summary>{t('It may also take')}</summary>
      <div className="guesses">
        {' '}
        <small>{t('Guesses. None is sent unless you choose it; play it through to see whether it is obeyed.')}</small>
        {proposals.map((one) => (
          <Button key={one.setting} size="small" variant="outlined" onClick={() => void keepProposal(store, item, one)}>
            {saySetting(one.setting, one.value)} <code>{one.raw}</code>
          </Button>
        ))}
      </div>{' '}
    </details>
  );
}
