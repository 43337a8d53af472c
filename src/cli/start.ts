import { bestLanguage, speak } from '../messages/language.ts';

/** Sentences stand in tables that are made when their module is: the language comes first, as POSIX names it (Base Definitions, 8.2). */
const { LC_ALL, LC_MESSAGES, LANG } = process.env;
await speak(bestLanguage([LC_ALL || LC_MESSAGES || LANG || 'en']));
await import('./main.ts');
