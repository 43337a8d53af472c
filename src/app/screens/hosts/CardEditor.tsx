import { Button } from '@mui/material';
import { useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import { sayCardProblem } from '../../../messages/en.ts';
import { keepCards, dropCard } from '../../state/ownCards.ts';
import type { Store } from '../../state/store.ts';
import { checkCardText } from './cardText.ts';

/** A card of the user's own as text, with what is wrong told at its place. It is kept only when it is right. */
export function CardEditor({ card }: { card: HostCard }): ReactElement {
  const store = useStore() as Store;
  const navigate = useNavigate();
  const field = useRef<HTMLTextAreaElement>(null);
  const [text, setText] = useState(() => JSON.stringify(card, null, 2));
  const { card: right, problems } = checkCardText(text);
  const show = (at: number, length: number): void => {
    const area = field.current!;
    area.focus();
    area.setSelectionRange(at, at + length);
    // A text area does not scroll to its selection by itself.
    const line = text.slice(0, at).split('\n').length;
    area.scrollTop = Math.max(0, (line - 6) * LINE);
  };
  const keep = async (): Promise<void> => {
    if (!right) return;
    if (right.id !== card.id) await dropCard(store, card.id);
    await keepCards(store, [right]);
    await navigate(`/hosts/${right.id}`);
  };
  return (
    <div className="card-editor">
      <h2>{card.name}</h2>
      <textarea
        ref={field}
        aria-label="The card as JSON"
        aria-describedby="card-problems"
        aria-invalid={!right}
        spellCheck={false}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div id="card-problems" role="status">
        <ul className="card-problems">
          {problems.slice(0, 20).map((problem, i) => (
            <li key={i}>
              <button type="button" className="inline-remedy" onClick={() => show(problem.at, problem.length)}>
                line {problem.line}
              </button>{' '}
              {sayCardProblem({ ...problem, file: 'The card' })}
            </li>
          ))}
        </ul>
        {right && <p>The card is right.</p>}
      </div>
      <div className="editor-ends">
        <Button onClick={() => void navigate(`/hosts/${card.id}`)}>Leave it as it was</Button>
        <Button variant="contained" disabled={!right} onClick={() => void keep()}>
          Keep the card
        </Button>
      </div>
    </div>
  );
}

/** Height of a line of the text area, in pixels. */
const LINE = 19;
