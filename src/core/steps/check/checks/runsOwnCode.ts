import { isStrange } from '../../../known/hosts/book.ts';
import { MOST_TOLD, type Running } from '../../../model/running.ts';
import { AS_IT_STANDS } from '../../../model/code.ts';
import { findRunning } from '../../../model/markup/running.ts';
import { defineCheck, NOTHING, type Checked, type Found } from '../rule.ts';

export const runsOwnCode = defineCheck({
  id: 'runsOwnCode',
  severity: 'error',
  holds: 'The code runs nothing of its own',
  about:
    'Scripts, attributes such as onload, and addresses such as javascript: run code in the page of the site. An embed needs none, so they are left out unless you keep them.',
  run: (checked) => {
    const written = runningIn(checked);
    const left = checked.running === 'leave' ? NOTHING_RUNS : elsewhere(checked.item.running ?? NOTHING_RUNS, written);
    if (written.length + left.length === 0) return NOTHING;
    const tell = ({ name, kind }: Running, place: Partial<Found>): Found => ({
      place: null,
      actual: name,
      expected: kind,
      remedy: { by: 'running', choice: 'leave' },
      ...(checked.running === null && { otherwise: { by: 'running', choice: 'keep' } }),
      ...place,
    });
    return [
      ...written.map((one) => tell(one, { place: one.range })),
      ...left.map((one) => tell(one, { inText: one.range })),
    ].slice(0, MOST_TOLD);
  },
});

const NOTHING_RUNS: readonly Running[] = [];

/** What runs in the code itself; nothing of ours does, so that codes without anything of others need no look. */
function runningIn({ code, item, book }: Checked): readonly Running[] {
  const foreign = item.running ?? item.kept.attributes.length > 0;
  const ofSomebody = code.form === AS_IT_STANDS || code.form === 'shortcode';
  if (!ofSomebody && !(code.markup && foreign)) return NOTHING_RUNS;
  return findRunning(code.text).filter(isStrange(book));
}

/** Of what runs in the pasted text, the first few that the code itself doesn't have. */
function elsewhere(running: readonly Running[], written: readonly Running[]): Running[] {
  const found: Running[] = [];
  const keys = new Set(written.map(({ kind, name }) => `${kind} ${name}`));
  for (const one of running) {
    if (found.length >= MOST_TOLD) break;
    if (!keys.has(`${one.kind} ${one.name}`)) found.push(one);
  }
  return found;
}
