import { file } from './file.ts';
import type { OrderForm } from './form.ts';
import { inline } from './inline.ts';
import { script } from './script.ts';
import { whole } from './whole.ts';

/** All forms of code for a running order, in the order in which they are offered. */
export const ORDER_FORMS = [whole, file, script, inline] as const satisfies readonly OrderForm[];

export type OrderFormId = (typeof ORDER_FORMS)[number]['id'];

/** The form of an id. */
export const orderForm = (id: OrderFormId): OrderForm => ORDER_FORMS.find((form) => form.id === id)!;
