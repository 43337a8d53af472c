import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { splitAddress } from '../../../core/steps/recognise/address.ts';
import { read } from '../../../core/steps/read/read.ts';
import type { Example } from '../../../core/teach/examples.ts';
import type { Unexplained } from '../../../core/teach/observe.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { saySetting } from '../../../messages/settings.ts';
import { sayWhy } from '../../../messages/teach.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  examples: readonly Example[];
  unexplained: readonly Unexplained[];
  remove: (example: number) => void;
}

/** What was brought, each with whether the card makes it. */
export function Examples({ examples, unexplained, remove }: Props): ReactElement {
  return (
    <ol className="examples [&_p]:m-0 [&_p]:wrap-anywhere">
      {examples.map((example, i) => {
        const told = unexplained.filter((one) => one.example === i);
        return (
          <li key={i} className="relative border-b border-hair py-2 pr-20 pl-8">
            <b className={`absolute left-1 ${told.length > 0 ? 'text-amber' : 'text-green'}`} aria-hidden="true">
              {i + 1}
            </b>
            {example.link !== undefined && (
              <p>
                <small>{t('link')}</small> <code>{example.link}</code>
              </p>
            )}
            {example.code !== undefined && (
              <p>
                <small>{t('code')}</small> <code>{shownCode(example.code)}</code>
              </p>
            )}
            {Object.entries(example.settings ?? {}).map(([id, value]) => (
              <p key={id} className="text-quiet">
                {t('with {setting}', { setting: saySetting(id as SettingId, value) })}
              </p>
            ))}
            {told.map((one) => (
              <p key={one.why} className="wrong">
                {sayWhy(one)}
              </p>
            ))}
            <Button
              className="absolute top-1 right-0"
              aria-label={t('Remove example {i}', { i: i + 1 })}
              onClick={() => remove(i)}
            >
              {t('Remove')}
            </Button>
          </li>
        );
      })}
    </ol>
  );
}

/** Of a code, the address that it holds. */
function shownCode(code: string): string {
  const address = read(code).find((one) => one.address !== null)?.address;
  if (address == null) return code.slice(0, 120);
  const { origin, path, parameters } = splitAddress(address);
  return parameters.length > 0 ? address : origin + path;
}
