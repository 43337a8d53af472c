import { Button } from '@mui/material';
import { Suspense, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { readJson } from '../../../core/model/json.ts';
import { KINDS, type Kind } from '../../../core/model/kind.ts';
import type { Site } from '../../../core/model/site.ts';
import {
  canBeStyle,
  carriedTo,
  emptyStyle,
  styleSchema,
  withoutRule,
  withRule,
  type StyleRule,
} from '../../../core/known/styles/style.ts';
import { SETTINGS } from '../../../core/known/settings/list.ts';
import { saySetting } from '../../../messages/settings.ts';
import { sayKinds } from '../../../messages/kinds.ts';
import { keepStyle } from '../../state/houseStyles.ts';
import { selectSites, selectStyles } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { saveFile, type NamedText } from '../../ui/files.ts';
import { SettingPick } from '../../ui/SettingPick.tsx';
import { lazily } from '../../ui/lazily.ts';
import { t, within } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';
import { firstProblem, sayProblem } from '../../../messages/problems.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

const StyleChange = lazily(
  () => import('./StyleChange.tsx').then((module) => module.StyleChange),
  () => null,
);

/** The house style of a site: what it uses by default, by kind, with its reasons. */
export function HouseStylePart({ site }: { site: Site }): ReactElement {
  const store = useStore() as Store;
  const kept = useAppSelector((state) => selectStyles(state)[site.id]);
  const style = kept ?? emptyStyle(site.id);
  const others = useAppSelector(selectSites).filter(({ id }) => id !== site.id);
  const [said, setSaid] = useState('');
  const [changing, setChanging] = useState(false);
  const kinds = KINDS.filter((kind) => style.rules.some((rule) => rule.kind === kind));
  const bringIn = ([file]: NamedText[]): void => {
    const read = readStyle(file!.text);
    if ('wrong' in read) return setSaid(read.wrong);
    void keepStyle(store, { ...read.style, site: site.id });
    setSaid(t('{count} rules imported. Nothing that was made changes by itself.', { count: read.style.rules.length }));
  };
  const carry = (to: string): void => {
    const target = others.find(({ id }) => id === to);
    if (!target) return;
    void keepStyle(store, carriedTo(style, to));
    setSaid(t('{target} uses it too, without the colours and the address that are this site’s own.', { target: target.name }));
  };
  return (
    <div>
      {kinds.length === 0 && (
        <p className="text-quiet">
          {t('Nothing is set for all yet. Add a rule here, or press a token on the Bench and take it into the house style.')}
        </p>
      )}
      {kinds.map((kind) => (
        <section key={kind} aria-label={t('House style for {kind}', { kind: sayKinds(kind) })}>
          <h4 className="mt-2 mb-0.5 text-small text-quiet">{sayKinds(kind)}</h4>
          <ul>
            {style.rules
              .filter((rule) => rule.kind === kind)
              .map((rule) => (
                <Rule
                  key={rule.setting}
                  rule={rule}
                  keep={(changed) => void keepStyle(store, withRule(style, changed))}
                  drop={() => void keepStyle(store, withoutRule(style, kind, rule.setting))}
                />
              ))}
          </ul>
        </section>
      ))}
      <NewRule add={(rule) => void keepStyle(store, withRule(style, rule))} />
      <div className="line">
        <Button variant="outlined" onClick={() => setChanging(true)}>
          {t('What would it change?')}
        </Button>
        <Button
          disabled={style.rules.length === 0}
          onClick={() => saveFile(`${site.id}.style.json`, JSON.stringify(style, null, 2))}
        >
          {t('Export the style')}
        </Button>
        <TextFileButton words={t('Bring a style in')} accept=".json,application/json" give={bringIn} />
        <ChoiceField
          label={t('Carry it to another site')}
          labelled="hidden"
          value=""
          options={[['', t('Carry to …')], ...others.map(({ id, name }) => [id, name] as const)]}
          set={carry}
        />
      </div>
      <p role="status">{said}</p>
      <Suspense fallback={null}>{changing && <StyleChange site={site} close={() => setChanging(false)} />}</Suspense>
    </div>
  );
}

function readStyle(text: string): { style: ReturnType<typeof styleSchema.parse> } | { wrong: string } {
  const data = readJson(text);
  if ('wrong' in data)
    return {
      wrong: t('This is no house style: {wrong}. Choose a file that was exported here.', { wrong: sayProblem(data.wrong) }),
    };
  const read = styleSchema.safeParse(data.value);
  if (read.success) return { style: read.data };
  return { wrong: t('This is no house style: at {path}, {issue}. Nothing was imported.', firstProblem(read.error)) };
}

interface RuleProps {
  rule: StyleRule;
  keep: (rule: StyleRule) => void;
  drop: () => void;
}

function Rule({ rule, keep, drop }: RuleProps): ReactElement {
  const [reason, setReason] = useState(rule.reason);
  const label = labelOf(rule.setting);
  return (
    <li className="grid min-h-8.5 grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)_auto] items-center gap-2">
      <span>{saySetting(rule.setting, rule.value)}</span>
      <WordsField
        label={t('Why: {setting}', { setting: saySetting(rule.setting, rule.value) })}
        labelled="hidden"
        placeholder={t('Why?')}
        value={reason}
        set={setReason}
        control={{ maxLength: 200, onBlur: () => reason !== rule.reason && keep({ ...rule, reason }) }}
      />
      <button
        type="button"
        className="inline-remedy"
        aria-label={t('Drop {label} from the style', { label: within(label) })}
        onClick={drop}
      >
        {t('Drop')}
      </button>
    </li>
  );
}

function NewRule({ add }: { add: (rule: StyleRule) => void }): ReactElement {
  const [kind, setKind] = useState<Kind>('video');
  return (
    <div className="my-2.5 grid grid-cols-[repeat(auto-fit,minmax(180px,1fr))] items-center gap-2">
      <ChoiceField
        label={t('For which kind')}
        labelled="hidden"
        value={kind}
        options={KINDS.map((one) => [one, sayKinds(one)])}
        set={setKind}
      />
      <SettingPick
        possible={SETTINGS.filter(({ id }) => canBeStyle(id, kind))}
        words={t('Add the rule')}
        take={(setting, value) => add({ kind, setting, value, reason: '' })}
      />
    </div>
  );
}
