import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import type { Setting } from '../../core/model/setting.ts';
import { parseValue, type SettingValue } from '../../core/model/values.ts';
import type { SettingId } from '../../core/known/settings/list.ts';
import { sayOption, sayWrongValue } from '../../messages/settings.ts';
import { t } from '../../messages/t.ts';
import { labelOf } from '../../messages/labels.ts';
import { ChoiceField } from '../fields/ChoiceField.tsx';
import { WordsField } from '../fields/WordsField.tsx';

interface Props {
  possible: readonly Setting<SettingId>[];
  /** What is done with it, on the button. */
  words: string;
  take: (id: SettingId, value: SettingValue) => void;
}

/** One setting and a value for it, away from the Bench. */
export function SettingPick({ possible, words, take }: Props): ReactElement {
  const [id, setId] = useState<SettingId>('related');
  const [text, setText] = useState('');
  const setting = possible.find((one) => one.id === id) ?? possible[0]!;
  const { value: type } = setting;
  const options = type.type === 'switch' ? ['on', 'off'] : type.type === 'choice' ? type.options : null;
  const written = options && !options.includes(text) ? options[0]! : text;
  const value = written.trim() === '' ? undefined : parseValue(type, written);
  const wrong = written.trim() !== '' && value === undefined;
  return (
    <>
      <ChoiceField
        label={t('Which setting')}
        labelled="hidden"
        value={setting.id}
        options={possible.map((one) => [one.id, labelOf(one.id)])}
        set={setId}
      />
      {options ? (
        <ChoiceField
          label={t('Its value')}
          labelled="hidden"
          value={written}
          options={options.map((option) => [option, sayOption(setting.id, option)])}
          set={setText}
        />
      ) : (
        <WordsField
          label={t('Its value')}
          labelled="hidden"
          value={text}
          wrong={wrong ? sayWrongValue(setting.id, written) : undefined}
          set={setText}
        />
      )}
      <Button
        variant="outlined"
        disabled={value === undefined}
        onClick={() => {
          take(setting.id, value!);
          setText('');
        }}
      >
        {words}
      </Button>
    </>
  );
}
