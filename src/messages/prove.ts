import { holds, isThere, type CardProof, type ProvedLink } from '../core/teach/prove.ts';
import { sayReached } from './reached.ts';
import { showMoment, t } from './t.ts';

const OUTCOMES: Record<ProvedLink['outcome'], string> = {
  holds: t('It is recognised as the card says.'),
  notRead: t('The card does not recognise it.'),
  otherHost: t('It is not of this host.'),
  otherForm: t('It is recognised as another form of link than the one whose example it is.'),
  otherFrame: t('Its frame address is not recognised as the same item.'),
  otherCode: t('The card was learnt from it, and makes another code of it.'),
};

/** What is wrong with an example of a card, or that it holds. */
export const sayProvedLink = ({ outcome, reached = [] }: ProvedLink): string =>
  outcome === 'holds' && !isThere(reached) ? reached.map(sayReached).join(' ') : OUTCOMES[outcome];

/** What came of proving a card, in one line. */
export function sayCardProof({ date, links, played }: CardProof): string {
  const rows = Object.values(played).flat();
  const good = links.filter(holds).length;
  const examples =
    good === links.length
      ? t('All {links} examples passed.', { links: links.length })
      : t('{failed} of {all} examples do not hold.', { failed: links.length - good, all: links.length });
  const asked = rows.filter(({ verdict }) => verdict === 'as asked' || verdict === 'differs');
  const obeyed = asked.filter(({ verdict }) => verdict === 'as asked').length;
  const player =
    rows.length === 0 ? '' : t(' Its player did {obeyed} of {asked} things as asked.', { obeyed, asked: asked.length });
  return `${showMoment(date)}: ${examples}${player}`;
}
