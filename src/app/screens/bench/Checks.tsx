import { Button } from '@mui/material';
import { memo, useState, type ReactElement } from 'react';
import { CHECKS } from '../../../core/steps/check/checks/list.ts';
import { withoutParameter } from '../../../core/steps/check/withoutParameter.ts';
import type { Check } from '../../../core/steps/check/rule.ts';
import type { Finding, Remedy } from '../../../core/steps/check/finding.ts';
import { KEEP_ALL_THE_SAME, sayFinding, sayRemedy } from '../../../messages/findings.ts';
import { isCodeForm } from '../../../core/steps/write/forms/list.ts';
import { changed, formChosen, runningDecided } from '../../state/bench.ts';
import { sameData } from '../../state/sameData.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { tokenOpened } from '../../state/view.ts';
import { FindingRow } from '../../ui/FindingRow.tsx';
import { useTextEdit } from './useTextEdit.ts';
import { t } from '../../../messages/t.ts';

/** Where in the code it stands moves with every character, and is not said here. */
const sameWords = (a: readonly Finding[] | undefined, b: readonly Finding[] | undefined): boolean =>
  sameData(a?.map(withoutPlace), b?.map(withoutPlace));
const withoutPlace = (finding: Finding): Finding => ({ ...finding, place: null });

/** Those of checks that were there stay in their order, and what came later stands below them. */
function inOrder(findings: readonly Finding[], before: readonly string[]): readonly Finding[] {
  const place = ({ code }: Finding): number => (before.includes(code) ? before.indexOf(code) : before.length);
  return findings.toSorted((a, b) => place(a) - place(b));
}

/** What would go wrong, each with its remedy: most serious first, but nothing is moved away from under a pointer. */
export function Checks(): ReactElement {
  const there = useAppSelector((state) => selectEmbed(state) !== null);
  const asked = useAppSelector((state) => selectEmbed(state)?.asked);
  const findings = useAppSelector((state) => selectEmbed(state)?.findings, sameWords) ?? [];
  const [held, setHeld] = useState<readonly string[] | null>(null);
  const shown = held ? inOrder(findings, held) : findings;
  const failing = new Set(findings.map((f) => f.code));
  const looked = CHECKS.filter((check: Check) => asked || !check.asks || failing.has(check.id));
  return (
    <section
      className="border-t border-t-line px-3 py-2 max-desk:order-4 [&_p]:my-1 [&_ul]:mt-1 [&_ul]:mb-0"
      aria-label={t('Checks')}
    >
      <h2>
        {t('Checks')}{' '}
        {there && <small>{t('{passed} of {all} passed', { passed: looked.length - failing.size, all: looked.length })}</small>}
      </h2>
      <ul
        onPointerEnter={() => {
          setHeld(shown.map(({ code }) => code));
        }}
        onPointerLeave={() => {
          setHeld(null);
        }}
      >
        {shown.map((finding, i) => (
          <Row key={`${finding.code}-${i}`} finding={finding} />
        ))}
      </ul>
      {there && (
        <details className="holds mt-1 text-quiet">
          <summary className="min-h-6 w-fit cursor-pointer">{t('Passed checks')}</summary>
          <ul>
            {looked
              .filter((c) => !failing.has(c.id))
              .map((c) => (
                <li key={c.id} className="before:mr-1.5 before:text-green before:content-['✓']">
                  {t(c.holds)}
                </li>
              ))}
          </ul>
        </details>
      )}
    </section>
  );
}

const Row = memo(function Row({ finding }: { finding: Finding }): ReactElement {
  const remedy = useRemedy(finding.remedy);
  const otherwise = useRemedy(finding.otherwise);
  return (
    <FindingRow
      severity={finding.severity}
      words={sayFinding(finding)}
      about={t(CHECKS.find(({ id }) => id === finding.code)!.about)}
    >
      {finding.remedy && (
        <Button variant="outlined" onClick={remedy}>
          {sayRemedy(finding as Finding & { remedy: Remedy })}
        </Button>
      )}
      {finding.otherwise && <Button onClick={otherwise}>{KEEP_ALL_THE_SAME}</Button>}
    </FindingRow>
  );
}, sameData);

/** What one press does: settings change, or the text that was brought in. */
function useRemedy(remedy: Remedy | undefined): () => void {
  const dispatch = useAppDispatch();
  const { edit, range } = useTextEdit();
  return () => {
    if (remedy?.by === 'settings') dispatch(changed({ change: remedy.change }));
    if (remedy?.by === 'text') edit((before) => before.replace(remedy.replace, () => remedy.with));
    if (remedy?.by === 'form' && isCodeForm(remedy.form)) dispatch(formChosen(remedy.form));
    if (remedy?.by === 'running') dispatch(runningDecided(remedy.choice));
    if (remedy?.by === 'asking') dispatch(tokenOpened(remedy.setting));
    if (remedy?.by === 'parameter' && range) edit((before) => withoutParameter(before, range, remedy.drop));
  };
}
