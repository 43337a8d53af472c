import type { HostBook } from '../core/known/hosts/book.ts';
import { MOST_TOLD } from '../core/model/running.ts';
import { bringIn, type Recognised } from '../core/pipeline.ts';
import { sayRefusal } from '../messages/reading.ts';

/** What a text holds, as plain data: for each candidate its range, source and repairs, and the item or why there is none. */
export const readAnswer = (text: string, book: HostBook): object[] => bringIn(text, book).map(foundAsData);

/** One candidate as plain data. */
export const foundAsData = ({ candidate: { range, source, repairs }, item, refusal }: Recognised): object => ({
  range,
  source,
  repairs,
  // What runs is a list of the whole text: in full for each item it would be as many times as long.
  ...(item
    ? { item: item.running ? { ...item, running: item.running.slice(0, MOST_TOLD) } : item }
    : { reason: { ...refusal, sentence: sayRefusal(refusal) } }),
});
