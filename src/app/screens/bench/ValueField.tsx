import { ToggleButton, ToggleButtonGroup } from '@mui/material';
import { Suspense, type ReactElement } from 'react';
import { writeValue, type SettingValue } from '../../../core/model/values.ts';
import { settingOf } from '../../../core/known/settings/list.ts';
import { sayOption } from '../../../messages/settings.ts';
import { TextValueField } from './TextValueField.tsx';
import type { ValueFieldProps } from './valueFieldProps.ts';
import { selectFacts, selectSite } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { lazily } from '../../ui/lazily.ts';
import { NotLoaded } from '../../ui/NotLoaded.tsx';
import { t } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';
import { Offer } from '../../fields/Offer.tsx';

const CoverField = lazily(() => import('./CoverField.tsx').then((module) => module.CoverField), NotLoaded);

const TranscriptField = lazily(() => import('./TranscriptField.tsx').then((module) => module.TranscriptField), NotLoaded);

const RATIOS = ['16:9', '4:3', '1:1', '4:5', '9:16'];

/** The control for a setting, by the type of its value. */
export function ValueField(props: ValueFieldProps): ReactElement {
  const { value: type } = settingOf(props.id);
  if (type.type === 'switch') return <OptionField {...props} options={['on', 'off']} />;
  if (type.type === 'choice') return <OptionField {...props} options={type.options} />;
  if (type.type === 'set') return <SetField {...props} options={type.options} />;
  if (type.type === 'picture')
    return (
      <Suspense fallback={<p className="text-quiet">…</p>}>
        <CoverField {...props} />
      </Suspense>
    );
  if (props.id === 'transcript')
    return (
      <Suspense fallback={<p className="text-quiet">…</p>}>
        <TranscriptField {...props} />
      </Suspense>
    );
  return (
    <>
      <Offers {...props} />
      <TextValueField {...props} />
    </>
  );
}

function OptionField({ id, value, set, options }: ValueFieldProps & { options: readonly string[] }): ReactElement {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value ?? null}
      aria-label={labelOf(id)}
      onChange={(_, next: string | null) => next && set(next)}
    >
      {options.map((option) => (
        <ToggleButton key={option} value={option}>
          {sayOption(id, option)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** Several of a few options. */
function SetField({ id, value, set, options }: ValueFieldProps & { options: readonly string[] }): ReactElement {
  return (
    <ToggleButtonGroup
      size="small"
      value={value === undefined ? [] : String(value).split(',')}
      aria-label={labelOf(id)}
      onChange={(_, next: string[]) => next.length > 0 && set(options.filter((option) => next.includes(option)).join(','))}
    >
      {options.map((option) => (
        <ToggleButton key={option} value={option}>
          {sayOption(id, option)}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** Values that are near at hand: the player's present second, the site's colours, common ratios. */
function Offers({ id, value, set }: ValueFieldProps): ReactElement | null {
  const { type } = settingOf(id).value;
  const time = useAppSelector((state) => state.view.player.time);
  const page = useAppSelector((state) => state.view.player.page);
  const content = useAppSelector((state) => selectFacts(state).contentHeight);
  const onPhone = useAppSelector((state) => state.view.phoneHeight === content);
  const site = useAppSelector(selectSite);
  const button = (name: string, next: SettingValue, colour?: string): ReactElement => (
    <Offer key={name} words={name} colour={colour} on={value === next} take={() => set(next)} />
  );
  const offers =
    type === 'time' && time !== undefined
      ? [
          button(
            t('where the preview stands: {time}', { time: writeValue({ type: 'time' }, Math.floor(time)) }),
            Math.floor(time),
          ),
        ]
      : type === 'colour'
        ? (site?.palette ?? []).map(({ name, colour }) => button(name, colour, colour))
        : type === 'ratio'
          ? RATIOS.map((ratio) => button(ratio, ratio))
          : id === 'page' && page !== undefined
            ? [button(t('where the preview stands: {page}', { page }), page)]
            : id === 'height' && content !== undefined
              ? [
                  button(
                    onPhone
                      ? t('as high as its content on a phone: {content} px', { content })
                      : t('as high as its content: {content} px', { content }),
                    content,
                  ),
                ]
              : [];
  if (offers.length === 0) return null;
  return (
    <div className="line offers mb-2.5">
      {type === 'colour' && site && <small>{t('Colours of {site}:', { site: site.name })}</small>}
      {offers}
    </div>
  );
}
