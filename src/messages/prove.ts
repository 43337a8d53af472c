import { holds, isThere, type CardProof, type ProvedLink } from '../core/teach/prove.ts';
import { sayReached } from './en.ts';

const OUTCOMES: Record<ProvedLink['outcome'], string> = {
  holds: 'It is recognised as the card says.',
  notRead: 'The card does not recognise it.',
  otherHost: 'It is not of this host.',
  otherForm: 'It is recognised as another form of link than the one whose example it is.',
  otherFrame: 'Its frame address is not recognised as the same item.',
  otherCode: 'The card was learnt from it, and makes another code of it.',
};

/** What is wrong with an example of a card, or that it holds. */
export const sayProvedLink = ({ outcome, reached = [] }: ProvedLink): string =>
  outcome === 'holds' && !isThere(reached) ? reached.map(sayReached).join(' ') : OUTCOMES[outcome];

const day = (date: number): string => new Date(date).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** What came of proving a card, in one line. */
export function sayCardProof({ date, links, played }: CardProof): string {
  const rows = Object.values(played).flat();
  const good = links.filter(holds).length;
  const examples =
    good === links.length
      ? `All ${links.length} examples hold.`
      : `${links.length - good} of ${links.length} examples do not hold.`;
  const asked = rows.filter(({ verdict }) => verdict === 'as asked' || verdict === 'differs');
  const obeyed = asked.filter(({ verdict }) => verdict === 'as asked').length;
  const player = rows.length === 0 ? '' : ` Its player did ${obeyed} of ${asked.length} things as asked.`;
  return `${day(date)}: ${examples}${player}`;
}
