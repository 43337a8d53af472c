import { fixed } from './fixed.ts';
import { link } from './link.ts';
import { page } from './page.ts';
import { responsive } from './responsive.ts';

/** Every form of code, in the order in which they are offered. One file each. */
export const FORMS = [responsive, fixed, page, link] as const;

export type FormId = (typeof FORMS)[number]['id'];

export const isFormId = (id: string): id is FormId => FORMS.some((form) => form.id === id);
