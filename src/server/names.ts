import type { Config } from './config.ts';
import { STAND_INS } from '../standins/list.ts';
import { addressOf } from '../standins/standIn.ts';
import type { Guard } from './guard.ts';

/** Who may be asked, as the configuration says: this process's own stand-ins always, others by name. */
export function guardOf({ ask, demo, publicOrigin, port }: Pick<Config, 'ask' | 'demo' | 'publicOrigin' | 'port'>): Guard {
  const names = demo ? STAND_INS.flatMap((one) => Object.keys(one.routers({ origin: publicOrigin, items: [] }))) : [];
  const own = { origins: new Set(names.map((name) => addressOf(name, publicOrigin))), port };
  if (ask === 'everybody') return own;
  return { ...own, allows: ({ hostname }) => ask !== 'standins' && ask.some((name) => stands(name, hostname)) };
}

const stands = (name: string, hostname: string): boolean =>
  name.startsWith('*.') ? hostname.endsWith(name.slice(1)) : hostname === name;
