import type { ReactElement } from 'react';
import { replaceParameter } from '../../../core/live/replaceParameter.ts';
import type { Parameter } from '../../../core/model/item.ts';
import { useTextEdit } from './useTextEdit.ts';

/** Parameters of a host that nobody knows: listed, open to change, and never lost. */
export function OwnParameters({ parameters }: { parameters: readonly Parameter[] }): ReactElement | null {
  const { edit, range } = useTextEdit();
  if (parameters.length === 0 || !range) return null;
  return (
    <div className="station own-parameters">
      <h2>
        Its own parameters <small>whatever they mean to the host</small>
      </h2>
      <ul>
        {parameters.map((parameter, i) => (
          <li key={`${parameter.name} ${i}`}>
            <label>
              {parameter.name}
              <input
                defaultValue={parameter.value}
                key={parameter.value}
                onBlur={({ target: { value } }) => {
                  if (value !== parameter.value) edit((text) => replaceParameter(text, range, parameter, value));
                }}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
              />
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
