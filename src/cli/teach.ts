import { cardSchema, type HostCard } from '../core/known/hosts/card.ts';
import { examplesSchema } from '../core/teach/examples.ts';
import { learn, type Learnt } from '../core/teach/learn.ts';
import { sayFact, sayQuestion, sayUnexplained } from '../messages/teach.ts';
import { readJson } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  card?: string;
  json?: boolean;
}

/** Works out a host card from examples, and prints it; what it rests on goes to standard error. */
export function teach(file: string, { card: from, json }: Options): number {
  const { examples, name } = readJson(file, { what: t('list of examples'), schema: examplesSchema });
  const before: HostCard | undefined =
    from === undefined ? undefined : readJson(from, { what: t('host card'), schema: cardSchema });
  const learnt = learn(examples, { name, before, today: new Date().toISOString().slice(0, 10) });
  if (json) console.log(JSON.stringify(learnt, null, 2));
  else say(learnt);
  return learnt.card ? 0 : 1;
}

function say({ card, facts, questions, unexplained }: Learnt): void {
  if (card) console.log(JSON.stringify(card, null, 2));
  else console.error(t('Nothing could be made of these examples.'));
  facts.forEach((fact) => console.error(sayFact(fact)));
  unexplained.forEach((one) => console.error(sayUnexplained(one)));
  questions.slice(0, 1).forEach((question) => console.error(sayQuestion(question)));
}
