import { fixed } from './fixed.ts';
import { link } from './link.ts';
import { page } from './page.ts';
import { responsive } from './responsive.ts';

/** Every form of code, in the order in which they are offered. One file each. */
export const FORMS = [responsive, fixed, page, link] as const;

export type CodeFormId = (typeof FORMS)[number]['id'];

export const isCodeForm = (id: string): id is CodeFormId => FORMS.some((form) => form.id === id);
