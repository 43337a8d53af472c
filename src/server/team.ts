import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import type { z } from 'zod';
import type { HostCard } from '../core/known/hosts/card.ts';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import { providersSchema, type Providers } from '../core/known/hosts/providers.ts';
import { styleSchema, type HouseStyle } from '../core/known/styles/style.ts';
import { readJson } from '../core/model/json.ts';
import { siteSchema, type Site } from '../core/model/site.ts';
import { sayCardProblem } from '../messages/library.ts';

/** What a team keeps in a folder for everybody, and what is wrong with files of it, in words. */
export interface Team {
  cards: readonly HostCard[];
  sites: readonly Site[];
  /** By the id of their site. */
  styles: Readonly<Record<string, HouseStyle>>;
  providers: Providers;
  problems: readonly string[];
  /** Another one whenever a file has changed; empty where there is no folder. */
  stamp: string;
}

/** Where there is no folder. */
export const NOBODY: Team = { cards: [], sites: [], styles: {}, providers: [], problems: [], stamp: '' };

/** Milliseconds for which what was read is taken for what is there: a look at the folder is not free. */
const PAUSE = 1000;
/** Bytes of one file at most. */
const LARGEST = 5_000_000;

/** The parts of the folder: `cards/`, `sites/`, `styles/`, and lists of oEmbed providers in `providers/`. */
const PARTS = ['cards', 'sites', 'styles', 'providers'] as const;
type Part = (typeof PARTS)[number];

interface FileOf {
  path: string;
  stamp: string;
}

/** Gives what stands in the folder now; files that are not right are left out and told. */
export function followTeam(folder: string | null): () => Team {
  if (folder === null) return () => NOBODY;
  let [team, stamp, looked] = [NOBODY, '', -Infinity];
  return () => {
    const now = performance.now();
    if (now - looked < PAUSE) return team;
    looked = now;
    const files = new Map(PARTS.map((part) => [part, filesOf(folder, part)]));
    const seen = JSON.stringify([...files]);
    if (seen !== stamp) [team, stamp] = [readTeam(files, createHash('sha256').update(seen).digest('hex').slice(0, 16)), seen];
    return team;
  };
}

/** A file that went away between two looks is none. */
function filesOf(folder: string, part: Part): FileOf[] {
  try {
    const names = readdirSync(join(folder, part)).filter((name) => name.endsWith('.json'));
    return names.sort().flatMap((name) => {
      const path = join(folder, part, name);
      const is = statSync(path, { throwIfNoEntry: false });
      return is?.isFile() ? [{ path, stamp: `${is.mtimeMs} ${is.size}` }] : [];
    });
  } catch {
    return [];
  }
}

function readTeam(files: ReadonlyMap<Part, readonly FileOf[]>, stamp: string): Team {
  const problems: string[] = [];
  const textsOf = (part: Part): { name: string; text: string }[] =>
    files.get(part)!.flatMap(({ path }) => {
      const name = `${part}/${basename(path)}`;
      try {
        if (statSync(path).size <= LARGEST) return [{ name, text: readFileSync(path, 'utf8') }];
        problems.push(`${name} is larger than ${LARGEST / 1_000_000} MB.`);
      } catch (error) {
        problems.push(`${name} cannot be read: ${(error as Error).message}`);
      }
      return [];
    });
  const all = <Value>(part: Part, schema: z.ZodType<Value>): Value[] =>
    textsOf(part).flatMap(({ name, text }) => {
      const data = readJson(text);
      const read = 'wrong' in data ? null : schema.safeParse(data.value);
      if (read?.success) return [read.data];
      const [issue] = read?.error.issues ?? [];
      problems.push(
        `${name} is not right${issue ? ` at ${issue.path.join('.') || 'its top'}: ${issue.message}` : `: ${'wrong' in data ? data.wrong : ''}`}.`,
      );
      return [];
    });
  const loaded = loadCards(textsOf('cards'));
  problems.push(...loaded.problems.map((problem) => sayCardProblem(problem)));
  return {
    cards: loaded.cards,
    sites: all('sites', siteSchema),
    styles: Object.fromEntries(all('styles', styleSchema).map((style) => [style.site, style])),
    providers: all('providers', providersSchema).flat(),
    problems,
    stamp,
  };
}
