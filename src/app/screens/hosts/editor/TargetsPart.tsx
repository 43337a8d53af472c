import type { ReactElement } from 'react';
import type { HostCard, OriginGroup, Target } from '../../../../core/known/hosts/card.ts';
import { ACCESS_WORDS, FIT_WORDS, ORIGIN_WORDS } from '../../../../messages/cardEditor.ts';
import { KIND_WORDS } from '../../../../messages/kinds.ts';
import { without, type Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { RowEnds } from './RowEnds.tsx';
import { t } from '../../../../messages/t.ts';
import { ChoiceField } from '../../../fields/ChoiceField.tsx';

interface Props {
  card: HostCard;
  change: Change;
}

const listOf = (text: string): string[] => text.split(/[\s,]+/).filter((one) => one !== '');

/** Where the host is, what names its items, and what is made of them. */
export function TargetsPart({ card, change }: Props): ReactElement {
  return (
    <>
      <section aria-label={t('Addresses')}>
        <h3>{t('Addresses')}</h3>
        <div className="line editor-fields">
          {(Object.keys(ORIGIN_WORDS) as OriginGroup[]).map((group) => (
            <DraftField
              key={group}
              long
              label={ORIGIN_WORDS[group]}
              value={(card.origins[group] ?? []).join(' ')}
              change={(text) => {
                const origins = listOf(text);
                return change(t('origins {group}', { group }), {
                  origins: origins.length > 0 ? { ...card.origins, [group]: origins } : without(card.origins, group),
                });
              }}
            />
          ))}
        </div>
      </section>
      <section aria-label={t('Identifiers')}>
        <h3>{t('What names an item')}</h3>
        {Object.entries(card.identifiers).map(([name, identifier]) => {
          const set = (next: Partial<typeof identifier>): string | null =>
            change(t('identifier {name}', { name }), {
              identifiers: { ...card.identifiers, [name]: { ...identifier, ...next } },
            });
          return (
            <div key={name} className="line editor-fields">
              <DraftField label={t('“{name}” is', { name })} value={identifier.name} change={(text) => set({ name: text })} />
              <DraftField
                label={t('Its shape')}
                value={[identifier.shape].flat().join(' | ')}
                change={(text) => {
                  const shapes = text.split(' | ');
                  return set({ shape: shapes.length > 1 ? shapes : text });
                }}
              />
              <DraftField label={t('In words')} value={identifier.words} change={(words) => set({ words })} />
              <DraftField label={t('For example')} value={identifier.example} change={(example) => set({ example })} />
            </div>
          );
        })}
      </section>
      {Object.entries(card.targets).map(([name, target]) => (
        <TargetFields
          key={name}
          name={name}
          target={target}
          set={(next) => change(t('target {name}', { name }), { targets: { ...card.targets, [name]: { ...target, ...next } } })}
        />
      ))}
    </>
  );
}

type SetTarget = (next: { [Key in keyof Target]?: unknown }) => string | null;

function TargetFields({ name, target, set }: { name: string; target: Target; set: SetTarget }): ReactElement {
  const { fit, access } = target;
  const number =
    (key: string) =>
    (text: string): string | null =>
      set({ fit: { ...fit, [key]: Number(text) } });
  return (
    <section aria-label={t('What is made: {name}', { name })}>
      <h3>{t('What is made: {name}', { name })}</h3>
      <div className="line editor-fields">
        <ChoiceField label={t('Kind')} value={target.kind} options={Object.entries(KIND_WORDS)} set={(kind) => set({ kind })} />
        {target.frame !== undefined && (
          <DraftField long label={t('Frame address')} value={target.frame} change={(frame) => set({ frame })} />
        )}
        <DraftField long label={t('Share link')} value={target.canonical} change={(canonical) => set({ canonical })} />
        <DraftField
          label={t('{fit}, width in px', { fit: FIT_WORDS[fit.by] })}
          value={String(fit.width)}
          change={number('width')}
        />
        {fit.by === 'ratio' && (
          <DraftField label={t('Ratio')} value={fit.ratio} change={(ratio) => set({ fit: { ...fit, ratio } })} />
        )}
        {'height' in fit && <DraftField label={t('Height in px')} value={String(fit.height)} change={number('height')} />}
        <DraftField
          label={t('Permissions it needs')}
          value={target.allow.join(' ')}
          change={(text) => set({ allow: listOf(text) })}
        />
      </div>
      <h4>{t('Conditions')}</h4>
      {access.map((one, i) => {
        const put = (next: Partial<typeof one>): string | null => set({ access: access.with(i, { ...one, ...next }) });
        return (
          <div key={i} className="line editor-fields">
            <ChoiceField
              label={t('Condition {i}', { i: i + 1 })}
              value={one.needs}
              options={Object.entries(ACCESS_WORDS)}
              set={(needs) => put({ needs })}
            />
            <DraftField long label={t('What it says')} value={one.words} change={(words) => put({ words })} />
            <DraftField long label={t('What helps')} value={one.remedy} change={(remedy) => put({ remedy })} />
            <RowEnds what={t('condition {i}', { i: i + 1 })} remove={() => set({ access: access.filter((_, k) => k !== i) })} />
          </div>
        );
      })}
      <RowEnds
        add={() =>
          set({
            access: [
              ...access,
              {
                needs: 'release',
                words: t('Only items that were released can be embedded.'),
                remedy: t('Release the item at its host.'),
                date: new Date().toISOString().slice(0, 10),
              },
            ],
          })
        }
        what={t('a condition')}
      />
    </section>
  );
}
