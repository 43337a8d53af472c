import { z } from 'zod';
import type { Site } from '../core/model/site.ts';
import type { HostCard } from '../core/known/hosts/card.ts';
import { reachedSchema, type Reached } from '../core/proof/reach/reached.ts';
import { holds, proveLinks, type ProvedLink } from '../core/teach/prove.ts';
import { sayCardProblem } from '../messages/library.ts';
import { sayProvedLink } from '../messages/prove.ts';
import { askedToWait } from '../workers/inTurn.ts';
import { reach } from './asking.ts';
import { loadFolder, readSite, sampleSite } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  json?: boolean;
  hosts?: string;
  prove?: boolean;
  ask?: string;
  site?: string;
}

/** Validates every card of the folder and says what is wrong, with its place; proves them where it is asked to. */
export async function hosts(options: Options): Promise<number> {
  const { cards, problems } = loadFolder(options.hosts);
  const server = options.prove && options.ask !== undefined ? await reach(options.ask) : null;
  const site = options.site === undefined ? sampleSite() : readSite(options.site);
  const proved = new Map<string, ProvedLink[]>();
  if (options.prove) for (const card of cards) proved.set(card.id, await prove(card, server, site));
  const wrong = [...proved.values()].flat().filter((one) => !holds(one));
  if (options.json) {
    const told = cards.map(({ id, name, updated }) => ({
      id,
      name,
      updated,
      ...(options.prove && { examples: proved.get(id) }),
    }));
    console.log(JSON.stringify({ cards: told, problems }, null, 2));
  } else {
    for (const card of cards) {
      console.log(
        t('{id}: {card}, of {updated}, {links} link forms{proved}', {
          id: card.id,
          card: card.name,
          updated: card.updated,
          links: card.links.length,
          proved: sayCount(proved.get(card.id)),
        }),
      );
      for (const one of proved.get(card.id) ?? [])
        if (!holds(one)) console.error(`${card.id}: ${one.text}: ${sayProvedLink(one)}`);
    }
    problems.forEach((problem) => console.error(sayCardProblem(problem)));
  }
  return problems.length + wrong.length === 0 ? 0 : 1;
}

const sayCount = (links: readonly ProvedLink[] | undefined): string =>
  links ? t('; {held} of {all} examples passed', { held: links.filter(holds).length, all: links.length }) : '';

const answer = z.object({ reached: z.array(reachedSchema) });

/** The examples of a card, and what a visitor gets at their frames where a server is there to ask. */
async function prove(card: HostCard, server: string | null, site: Site): Promise<ProvedLink[]> {
  const links = proveLinks(card, [], site);
  if (server === null) return links;
  const asked: ProvedLink[] = [];
  for (const link of links) {
    asked.push(link.frame === null ? link : { ...link, reached: await askFor(link.frame, server, site) });
  }
  return asked;
}

/** What is not answered is told as such; a server that is asked too often is given its time. */
async function askFor(frame: string, server: string, site: Site): Promise<Reached[]> {
  for (;;) {
    const response = await fetch(`${server}/api/reach`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ url: frame, site: site.address }),
    }).catch(() => null);
    if (response?.status !== 429)
      return answer.safeParse(await response?.json().catch(() => null)).data?.reached ?? [{ code: 'noAnswer', why: 'noAnswer' }];
    await new Promise((done) => setTimeout(done, askedToWait(response)));
  }
}
