import type { ReactElement } from 'react';
import type { Difference } from '../../../core/live/compare.ts';
import { sayDifference } from '../../../messages/reading.ts';
import { selectComparison, selectEmbed, selectRecognised } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { t } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';

const WHAT: Record<Difference['what'], string> = {
  address: t('address'),
  setting: t('setting'),
  parameter: t('parameter'),
  attribute: t('attribute'),
};

/** What was pasted beside what is taken away: the two codes, and every difference in words. */
export function CodeComparison({ close }: { close: () => void }): ReactElement {
  const { candidate } = useAppSelector(selectRecognised);
  const text = useAppSelector((state) => state.bench.present.text);
  const embed = useAppSelector(selectEmbed);
  const rows = useAppSelector(selectComparison) ?? [];
  return (
    <DialogFrame title={t('Compare with what was pasted')} close={close} wide>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(260px,1fr))] gap-3 [&_figure]:m-0 [&_pre]:mt-1 [&_pre]:mb-3 [&_pre]:max-h-[170px]">
        <CodeOf words={t('As it was pasted')} code={text.slice(...candidate.range)} />
        <CodeOf words={t('As it is copied')} code={embed?.code.text ?? ''} />
      </div>
      {rows.length === 0 ? (
        <p className="text-quiet">{t('Both say the same.')}</p>
      ) : (
        <table className="[&_:is(th,td)]:px-2 [&_:is(th,td)]:py-1.5 [&_:is(th,td)]:wrap-anywhere [&_i]:text-quiet">
          <thead>
            <tr>
              <th scope="col">{t('What')}</th>
              <th scope="col">{t('Before')}</th>
              <th scope="col">{t('After')}</th>
              <th scope="col">{t('In words')}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={`${row.what} ${row.name} ${i}`}>
                <th scope="row">
                  {row.setting ? labelOf(row.setting.id) : row.name} <small>{WHAT[row.what]}</small>
                </th>
                <td>
                  {row.before === null ? (
                    <i>{t('not said')}</i>
                  ) : (
                    <code className={row.after === null ? 'line-through' : undefined}>{row.before || '“”'}</code>
                  )}
                </td>
                <td className={row.before === null ? 'border-l-3 border-l-green' : undefined}>
                  {row.after === null ? <i>{t('not said')}</i> : <code>{row.after || '“”'}</code>}
                </td>
                <td>{sayDifference(row)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </DialogFrame>
  );
}

const CodeOf = ({ words, code }: { words: string; code: string }): ReactElement => (
  <figure>
    <figcaption>{words}</figcaption>
    <pre className="code-difference" tabIndex={0}>
      {code.slice(0, 4000)}
    </pre>
  </figure>
);
