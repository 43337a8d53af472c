import type { Item, Parameter } from '../../core/model/item.ts';
import { escapeHtml } from '../../core/model/markup/escape.ts';
import type { Example } from '../../core/teach/examples.ts';
import type { Guess } from '../../core/teach/guess.ts';
import { learn } from '../../core/teach/learn.ts';
import { findLesson } from '../storage/own.ts';
import { keepTaught } from './ownCards.ts';
import type { Store } from './store.ts';

/** What was found out of a host on the Bench, in passing: one parameter of a code, with what it does. */
export async function teachParameter(
  store: Store,
  item: Pick<Item, 'host' | 'frame' | 'canonical'>,
  { parameter, guess: { setting, value } }: { parameter: Parameter; guess: Guess },
): Promise<boolean> {
  const before = item.host === null ? [] : await findLesson(item.host).catch(() => []);
  const plain = item.frame ?? item.canonical;
  const sign = parameter.in === 'fragment' ? '#' : plain.includes('?') ? '&' : '?';
  const link = before.find((one) => one.code?.includes(plain))?.link ?? plain;
  const examples: Example[] = [
    ...before,
    { link, code: codeOf(plain) },
    { link, code: codeOf(plain + sign + parameter.raw), settings: { [setting]: value } },
  ];
  const { card, unexplained } = learn(examples, { today: new Date().toISOString().slice(0, 10) });
  if (!card || unexplained.some(({ example }) => example === examples.length - 1)) return false;
  await keepTaught(store, card, examples);
  return true;
}

const codeOf = (address: string): string => `<iframe src="${escapeHtml(address)}"></iframe>`;
