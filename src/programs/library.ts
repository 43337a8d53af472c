/** Refenestra as a library: links and codes in, embed code out, with what would go wrong; every part is data in, data out. */
export { makeBook, type HostBook } from '../core/known/hosts/book.ts';
export { cardSchema, type HostCard } from '../core/known/hosts/card.ts';
export { loadCards, type CardProblem } from '../core/known/hosts/loadCards.ts';
export { SETTINGS, type SettingId, type Settings } from '../core/known/settings/list.ts';
export { styleFor, styleSchema, type HouseStyle } from '../core/known/styles/style.ts';
export { siteSchema, type Site } from '../core/model/site.ts';
export { makeBatch } from '../core/many/batch/batch.ts';
export { sweepBytes, writeChanges } from '../core/many/sweep/bytes.ts';
export { bringIn, keepEmbed, makeEmbed, type Embed, type Recognised } from '../core/pipeline.ts';
export { FORMS, type CodeFormId } from '../core/steps/write/forms/list.ts';
export { examplesSchema } from '../core/teach/examples.ts';
export { learn } from '../core/teach/learn.ts';
export { sayCardProblem, sayFinding, sayReason, sayRefusal } from '../messages/en.ts';
export { checkedAsData, checkText } from './check.ts';
export { embedAnswer } from './embed.ts';
export { readAnswer } from './read.ts';
