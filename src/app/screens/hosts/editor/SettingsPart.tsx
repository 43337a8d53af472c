import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { isHonoured } from '../../../../core/known/hosts/compile.ts';
import type { HonouredSetting, HostCard } from '../../../../core/known/hosts/card.ts';
import { PLAIN_SPELLINGS, type Spelling } from '../../../../core/known/hosts/spelling.ts';
import { SETTINGS, settingOf, type SettingId } from '../../../../core/known/settings/list.ts';
import { PLACE_WORDS } from '../../../../messages/cardEditor.ts';
import { sayOption } from '../../../../messages/settings.ts';
import { FORM_WORDS, saySpelt } from '../../../../messages/teach.ts';
import { without, type Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { t } from '../../../../messages/t.ts';
import { labelOf } from '../../../../messages/labels.ts';
import { ChoiceField } from '../../../fields/ChoiceField.tsx';
import { Tick } from '../../../fields/Tick.tsx';

interface Props {
  card: HostCard;
  change: Change;
}

/** What the host honours: each setting with where it stands, what it is called there, and how its values are spelt. */
export function SettingsPart({ card, change }: Props): ReactElement {
  const ids = Object.keys(card.settings) as SettingId[];
  const open = SETTINGS.filter(({ id, moment }) => moment !== 'frame' && moment !== 'around' && !ids.includes(id));
  const [next, setNext] = useState<SettingId | ''>('');
  const set = (id: SettingId, use: unknown): string | null =>
    change(t('setting {id}', { id }), { settings: { ...card.settings, [id]: use } });
  return (
    <section aria-label={t('Settings')}>
      <h3>{t('Settings')}</h3>
      {ids.map((id) => {
        const use = card.settings[id];
        const label = labelOf(id);
        return (
          <div key={id} className="line editor-fields" role="group" aria-label={label}>
            <strong>{label}</strong>
            {isHonoured(use) ? (
              <Honoured id={id} use={use} set={(one) => set(id, one)} />
            ) : (
              <span className="text-quiet">
                {t('{spelling}; changed in the JSON', { spelling: saySpelt(id, card) || t('withdrawn by the host') })}
              </span>
            )}
            <Button
              aria-label={t('Remove {label}', { label })}
              onClick={() => change(t('setting {id}', { id }), { settings: without(card.settings, id) })}
            >
              {t('Remove')}
            </Button>
          </div>
        );
      })}
      <ChoiceField
        label={t('Another setting')}
        value={next}
        options={[['', t('choose one')], ...open.map(({ id }) => [id, labelOf(id)] as const)]}
        set={setNext}
      />
      <Button
        variant="outlined"
        disabled={next === ''}
        onClick={() => {
          set(next as SettingId, { in: 'query', name: next.toLowerCase(), spelling: usualSpelling(next as SettingId) });
          setNext('');
        }}
      >
        {t('Add it')}
      </Button>
    </section>
  );
}

/** In which places a setting can be put here; the others are seen, and changed in the JSON. */
const PLACES = ['query', 'fragment', 'path', 'attribute', 'frameAttribute'] as const;

function Honoured({ id, use, set }: { id: SettingId; use: HonouredSetting; set: (use: unknown) => string | null }): ReactElement {
  const places = PLACES.some((place) => place === use.in) ? PLACES : [...PLACES, use.in];
  const label = labelOf(id);
  return (
    <>
      <ChoiceField
        label={t('Where {label} stands', { label })}
        labelled="hidden"
        value={use.in}
        options={places.map((place) => [place, PLACE_WORDS[place]])}
        set={(place) => set({ ...use, in: place })}
      />
      <DraftField label={t('called')} value={use.name} change={(name) => set({ ...use, name })} />
      <Spelt id={id} spelling={use.spelling} set={(spelling) => set({ ...use, spelling })} />
      <Tick label={t('a guess')} on={use.proposed} set={(proposed) => set({ ...use, proposed })} />
    </>
  );
}

function Spelt({ id, spelling, set }: { id: SettingId; spelling: Spelling; set: (to: unknown) => string | null }): ReactElement {
  const { value } = settingOf(id);
  if (spelling.form === 'words') {
    const options =
      value.type === 'switch' ? ['on', 'off'] : value.type === 'choice' ? value.options : Object.keys(spelling.words);
    return (
      <>
        {options.map((option) => (
          <DraftField
            key={option}
            label={t('{option} is', { option: sayOption(id, option) })}
            value={[spelling.words[option] ?? []].flat().join(' | ')}
            change={(text) => {
              const words = text.split(' | ');
              const held =
                text === '' ? without(spelling.words, option) : { ...spelling.words, [option]: words.length > 1 ? words : text };
              return set({ ...spelling, words: held });
            }}
          />
        ))}
      </>
    );
  }
  const forms = spellingsOf(id);
  const shown = forms.includes(spelling.form) ? forms : [...forms, spelling.form];
  return (
    <ChoiceField
      label={t('spelt as')}
      value={spelling.form}
      options={shown.map((form) => [form, FORM_WORDS[form] ?? form])}
      set={(form) => set({ form })}
    />
  );
}

const spellingsOf = (id: SettingId): readonly Spelling['form'][] => PLAIN_SPELLINGS[settingOf(id).value.type] ?? ['text'];

function usualSpelling(id: SettingId): unknown {
  const { value } = settingOf(id);
  if (value.type === 'switch') return { form: 'words', words: { on: '1', off: '0' } };
  if (value.type === 'choice') return { form: 'words', words: Object.fromEntries(value.options.map((one) => [one, one])) };
  if (value.type === 'set') return { form: 'list', separator: ',' };
  return { form: spellingsOf(id)[0] };
}
