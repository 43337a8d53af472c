import { accentUnseen } from './accentUnseen.ts';
import { clipBackwards } from './clipBackwards.ts';
import { clipBeyondEnd } from './clipBeyondEnd.ts';
import { clipNotKept } from './clipNotKept.ts';
import { framesBarred } from './framesBarred.ts';
import { heavy } from './heavy.ts';
import { insecure } from './insecure.ts';
import { nameless } from './nameless.ts';
import { notPlayable } from './notPlayable.ts';
import { nothingToPlay } from './nothingToPlay.ts';
import { soundAtOnce } from './soundAtOnce.ts';
import { standsTwice } from './standsTwice.ts';
import { titleless } from './titleless.ts';
import { transcriptMissing } from './transcriptMissing.ts';
import { unreachable } from './unreachable.ts';
import { waitsForVisitor } from './waitsForVisitor.ts';
import { wordsMissing } from './wordsMissing.ts';
import type { Order } from '../order.ts';
import type { OrderCheck, OrderChecked, OrderFinding } from './rule.ts';

/** All checks of running orders, in the order in which they are told. */
export const ORDER_CHECKS = [
  nothingToPlay,
  notPlayable,
  unreachable,
  insecure,
  framesBarred,
  soundAtOnce,
  clipBackwards,
  clipBeyondEnd,
  clipNotKept,
  waitsForVisitor,
  transcriptMissing,
  titleless,
  nameless,
  standsTwice,
  accentUnseen,
  heavy,
  wordsMissing,
] as const satisfies readonly OrderCheck[];

export type OrderCheckId = (typeof ORDER_CHECKS)[number]['id'];

const SEVERITIES = ['error', 'warning', 'note'] as const;

/** What is wrong with a running order, the gravest first. */
export function checkOrder(checked: OrderChecked): OrderFinding[] {
  const found = ORDER_CHECKS.flatMap(({ id, severity, run }: OrderCheck): OrderFinding[] =>
    run(checked).map((one) => ({ code: id, severity, ...one })),
  );
  return SEVERITIES.flatMap((severity) => found.filter((one) => one.severity === severity));
}

/** A running order after one press on a remedy. */
export function remedied(order: Order, { remedy, entries }: OrderFinding): Order {
  if (!remedy) return order;
  if ('order' in remedy) return { ...order, ...remedy.order };
  const meant = new Set(entries);
  if ('remove' in remedy) return { ...order, entries: order.entries.filter((_, i) => !meant.has(i)) };
  return { ...order, entries: order.entries.map((entry, i) => (meant.has(i) ? { ...entry, ...remedy.entry } : entry)) };
}
