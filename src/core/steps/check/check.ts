import type { Finding } from './finding.ts';
import { CHECKS } from './checks/list.ts';
import type { Checked } from './rule.ts';

const RANK = { error: 0, warning: 1, note: 2 } as const;

/** Step 5: what would go wrong, most serious first. */
export function check(checked: Checked): Finding[] {
  const findings: Finding[] = [];
  for (const { id, severity, run } of CHECKS) for (const found of run(checked)) findings.push({ code: id, severity, ...found });
  return findings.length > 1 ? findings.sort((a, b) => RANK[a.severity] - RANK[b.severity]) : findings;
}
