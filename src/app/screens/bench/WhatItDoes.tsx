import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { Item, Parameter } from '../../../core/model/item.ts';
import { guess, type Guess } from '../../../core/known/hosts/guess.ts';
import { saySetting } from '../../../messages/settings.ts';
import type { Store } from '../../state/store.ts';
import { teachParameter } from '../../state/teachParameter.ts';
import { t } from '../../../messages/t.ts';

/** The likeliest meanings, each with what the value would mean; one press, and the host is known by it. */
export function WhatItDoes({ parameter, item }: { parameter: Parameter; item: Item }): ReactElement | null {
  const store = useStore() as Store;
  const [failed, setFailed] = useState(false);
  const likely = guess(parameter.name, parameter.value).slice(0, 3);
  const take = async (one: Guess): Promise<void> => setFailed(!(await teachParameter(store, item, { parameter, guess: one })));
  if (likely.length === 0) return null;
  return (
    <div
      className="what-it-does [&_summary]:cursor-pointer"
      role="group"
      aria-label={t('What does {raw} do?', { raw: parameter.raw })}
    >
      <small>{t('What does it do?')}</small>
      {likely.map((one) => (
        <Button key={one.setting} size="small" variant="outlined" onClick={() => void take(one)}>
          {saySetting(one.setting, one.value)}
        </Button>
      ))}
      {failed && <small className="wrong">{t('This cannot be told from one code. Teach the host with more of them.')}</small>}
    </div>
  );
}
