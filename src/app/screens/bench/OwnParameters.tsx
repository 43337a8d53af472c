import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { Link } from 'react-router';
import { replaceParameter } from '../../../core/live/replaceParameter.ts';
import type { Item, Parameter } from '../../../core/model/item.ts';
import { guess, type Guess } from '../../../core/teach/guess.ts';
import { saySetting } from '../../../messages/en.ts';
import { teachParameter } from '../../state/ownCards.ts';
import { selectItem, selectRecognised } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { useTextEdit } from './useTextEdit.ts';

/**
 * A host that nobody knows, or that is known from a few examples: its parameters are listed, open to change, never lost,
 * and each can be told for what it is.
 */
export function OwnParameters(): ReactElement | null {
  const item = useAppSelector(selectItem);
  const framed = useAppSelector((state) => selectRecognised(state).candidate.source !== 'link');
  const own = useAppSelector((state) => state.world.ownCards.some(({ id }) => id === item?.host));
  const text = useAppSelector((state) => state.bench.present.text);
  if (!item || item.form === 'file' || (item.host !== null && !own)) return null;
  if (item.host !== null && item.unknown.length === 0) return null;
  const parameters = item.unknown.filter(({ within }) => within === undefined);
  return (
    <div className="station own-parameters">
      <h2>{item.host === null ? 'Not known' : 'Not known of this host'}</h2>
      <p>
        {item.host === null ? 'No card knows this host. ' : ''}
        <Link to={item.host === null ? '/hosts/teach' : `/hosts/${item.host}/teach`} state={{ text }}>
          Teach this host
        </Link>
      </p>
      {parameters.length > 0 && (
        <ul>
          {parameters.map((parameter, i) => (
            <OwnParameter key={`${parameter.name} ${i}`} parameter={parameter} item={item} asks={framed} />
          ))}
        </ul>
      )}
    </div>
  );
}

function OwnParameter({ parameter, item, asks }: { parameter: Parameter; item: Item; asks: boolean }): ReactElement {
  const { edit, range } = useTextEdit();
  return (
    <li>
      <label>
        {parameter.name}
        <input
          defaultValue={parameter.value}
          key={parameter.value}
          readOnly={!range}
          onBlur={({ target: { value } }) => {
            if (range && value !== parameter.value) edit((text) => replaceParameter(text, range, parameter, value));
          }}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
      </label>
      {asks && <WhatItDoes parameter={parameter} item={item} />}
    </li>
  );
}

/** The likeliest meanings, each with what the value would mean; one press, and the host is known by it. */
function WhatItDoes({ parameter, item }: { parameter: Parameter; item: Item }): ReactElement | null {
  const store = useStore() as Store;
  const [failed, setFailed] = useState(false);
  const likely = guess(parameter.name, parameter.value).slice(0, 3);
  const take = async (one: Guess): Promise<void> => setFailed(!(await teachParameter(store, item, { parameter, guess: one })));
  if (likely.length === 0) return null;
  return (
    <div className="what-it-does" role="group" aria-label={`What does ${parameter.raw} do?`}>
      <small>What does it do?</small>
      {likely.map((one) => (
        <Button key={one.setting} size="small" variant="outlined" onClick={() => void take(one)}>
          {saySetting(one.setting, one.value)}
        </Button>
      ))}
      {failed && <small className="wrong">This cannot be told from one code. Teach the host with more of them.</small>}
    </div>
  );
}
