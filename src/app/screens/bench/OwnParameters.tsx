import './ownParameters.css';
import { Suspense, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { replaceParameter } from '../../../core/live/replaceParameter.ts';
import type { Item, Parameter } from '../../../core/model/item.ts';
import { selectCard, selectRecognised } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { lazily } from '../../ui/lazily.ts';
import { useTextEdit } from './useTextEdit.ts';
import { t } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** Only who meets a host that nobody knows has need of it. */
const WhatItDoes = lazily(
  () => import('./WhatItDoes.tsx').then((module) => module.WhatItDoes),
  () => null,
);
const Proposals = lazily(
  () => import('./Proposals.tsx').then((module) => module.Proposals),
  () => null,
);

/**
 * A host that nobody knows, or that is known from a few examples: its parameters are listed, open to change, never lost,
 * and each can be told for what it is.
 */
export function OwnParameters({ item }: { item: Item }): ReactElement {
  const framed = useAppSelector((state) => selectRecognised(state).candidate.source !== 'link');
  const plays = useAppSelector((state) => selectCard(state)?.player !== undefined);
  const text = useAppSelector((state) => state.bench.present.text);
  const parameters = item.unknown.filter(({ within }) => within === undefined);
  return (
    <div className="station own-parameters [&_.field]:type-code [&_a]:text-green [&_h2]:m-0 [&_p]:m-0">
      <h2>{item.host === null ? t('Not known') : t('Not known of this host')}</h2>
      <p>
        {item.host === null ? t('No card knows this host. ') : ''}
        <Link to={item.host === null ? '/hosts/teach' : `/hosts/${item.host}/teach`} state={{ text }}>
          {t('Teach this host')}
        </Link>
        {item.host !== null && !plays && (
          <>
            {' · '}
            <Link to={`/hosts/${item.host}#listen`}>{t('Listen to its player')}</Link>
          </>
        )}
      </p>
      {parameters.length > 0 && (
        <ul>
          {parameters.map((parameter, i) => (
            <OwnParameter key={`${parameter.name} ${i} ${parameter.value}`} parameter={parameter} item={item} asks={framed} />
          ))}
        </ul>
      )}
      <Suspense fallback={null}>{item.frame !== null && !item.plain && <Proposals item={item} />}</Suspense>
    </div>
  );
}

function OwnParameter({ parameter, item, asks }: { parameter: Parameter; item: Item; asks: boolean }): ReactElement {
  const { edit, range } = useTextEdit();
  const [typed, setTyped] = useState(parameter.value);
  return (
    <li>
      <WordsField
        label={parameter.name}
        value={typed}
        set={setTyped}
        control={{
          readOnly: !range,
          onBlur: () => {
            if (range && typed !== parameter.value) edit((text) => replaceParameter(text, range, parameter, typed));
          },
          onKeyDown: ({ key, currentTarget }) => key === 'Enter' && currentTarget.blur(),
        }}
      />
      <Suspense fallback={null}>{asks && <WhatItDoes parameter={parameter} item={item} />}</Suspense>
    </li>
  );
}
