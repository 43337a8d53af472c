import type { ReactElement } from 'react';
import type { Site } from '../../../core/model/site.ts';
import type { Numbers } from '../../../core/many/sweep/numbers.ts';
import type { Rules } from '../../../core/many/sweep/rules.ts';
import { sayRemedy } from '../../../messages/findings.ts';
import { sayShortly } from '../../../messages/sweep.ts';
import { selectStyles } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';
import { Tick } from '../../fields/Tick.tsx';

interface Props {
  /** Whether hosts were asked what is gone. */
  asked: boolean;
  rules: Rules;
  numbers: Numbers;
  site: Site | null;
  follow: (rules: Rules) => void;
}

/** What is to be changed: the house style, a few acts, and the findings that can be put right without anybody’s words. */
export function RuleChoice({ asked, rules, numbers, site, follow }: Props): ReactElement {
  const style = useAppSelector((state) => (site ? selectStyles(state)[site.id] : undefined));
  // What was chosen stays in the list once nothing is found any more.
  const offered = numbers.findings.filter(({ code, byItself }) => byItself || rules.putRight.includes(code));
  const putRight = (code: string, on: boolean): void =>
    follow({ ...rules, putRight: on ? [...rules.putRight, code] : rules.putRight.filter((one) => one !== code) });
  return (
    <fieldset className="m-0 border-0 p-0 [&_.tick]:grid [&_.tick]:grid-cols-[auto_minmax(0,1fr)] [&_.tick]:items-start [&_.tick]:py-0.5 [&_legend]:p-0 [&_legend]:font-semibold">
      <legend>{t('What is changed')}</legend>
      <Tick
        on={rules.style}
        set={(on) => follow({ ...rules, style: on })}
        disabled={!style || style.rules.length === 0}
        label={
          <span>
            {t('Follow the house style of')} {site?.name ?? t('the site')}
            {(!style || style.rules.length === 0) && <small>{t('This site has none yet.')}</small>}
          </span>
        }
      />
      <Tick
        on={rules.titles}
        set={(on) => follow({ ...rules, titles: on })}
        label={<span>{t('Give frames without a title that of the heading above')}</span>}
      />
      <Tick
        on={rules.covers}
        set={(on) => follow({ ...rules, covers: on })}
        label={<span>{t('Put a cover before everything that loads unasked')}</span>}
      />
      <Tick
        on={rules.gone}
        set={(on) => follow({ ...rules, gone: on })}
        disabled={!asked}
        label={
          <span>
            {t('Turn what is gone into a link')}
            {!asked && <small>{t('Ask the hosts first.')}</small>}
          </span>
        }
      />
      {offered.length > 0 && <h3>{t('Put right what was found')}</h3>}
      {offered.map(({ code, example, places }) => (
        <Tick
          key={code}
          on={rules.putRight.includes(code)}
          set={(on) => putRight(code, on)}
          label={
            <span>
              {sayShortly(example)} ({places})
              {example.remedy && <small>{sayRemedy({ ...example, remedy: example.remedy })}</small>}
            </span>
          }
        />
      ))}
    </fieldset>
  );
}
