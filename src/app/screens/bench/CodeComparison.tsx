import '../../ui/difference.css';
import type { ReactElement } from 'react';
import type { Difference } from '../../../core/live/compare.ts';
import { settingOf } from '../../../core/known/settings/list.ts';
import { sayDifference } from '../../../messages/en.ts';
import { selectComparison, selectEmbed, selectRecognised } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';

const WHAT: Record<Difference['what'], string> = {
  address: 'address',
  setting: 'setting',
  parameter: 'parameter',
  attribute: 'attribute',
};

/** What was pasted beside what is taken away: the two codes, and every difference in words. */
export function CodeComparison({ close }: { close: () => void }): ReactElement {
  const { candidate } = useAppSelector(selectRecognised);
  const text = useAppSelector((state) => state.bench.present.text);
  const embed = useAppSelector(selectEmbed);
  const rows = useAppSelector(selectComparison) ?? [];
  return (
    <DialogFrame title="Compare with what was pasted" close={close} wide>
      <div className="compare-codes">
        <CodeOf words="As it was pasted" code={text.slice(...candidate.range)} />
        <CodeOf words="As it is taken away" code={embed?.code.text ?? ''} />
      </div>
      {rows.length === 0 ? (
        <p className="quiet">Both say the same.</p>
      ) : (
        <table className="compare">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Before</th>
              <th scope="col">After</th>
              <th scope="col">In words</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={`${row.what} ${row.name} ${i}`} data-change={changeOf(row)}>
                <th scope="row">
                  {row.setting ? settingOf(row.setting.id).label : row.name} <small>{WHAT[row.what]}</small>
                </th>
                <td>{row.before === null ? <i>not said</i> : <code>{row.before || '“”'}</code>}</td>
                <td>{row.after === null ? <i>not said</i> : <code>{row.after || '“”'}</code>}</td>
                <td>{sayDifference(row)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </DialogFrame>
  );
}

const changeOf = ({ before, after }: Difference): string => (before === null ? 'added' : after === null ? 'gone' : 'changed');

const CodeOf = ({ words, code }: { words: string; code: string }): ReactElement => (
  <figure>
    <figcaption>{words}</figcaption>
    <pre className="code-difference" tabIndex={0}>
      {code.slice(0, 4000)}
    </pre>
  </figure>
);
