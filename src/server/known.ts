import type { Logger } from 'pino';
import { makeBook, type HostBook } from '../core/known/hosts/book.ts';
import type { HostCard } from '../core/known/hosts/card.ts';
import { loadCards } from '../core/known/hosts/loadCards.ts';
import type { Site } from '../core/model/site.ts';
import { sayCardProblem } from '../messages/library.ts';
import { readCardFiles, readItems, readSites, type DemoItem } from '../standins/world.ts';
import type { Config } from './config.ts';
import { PLAIN_SITE } from './plainSite.ts';
import { followTeam, type Team } from './team.ts';

/** What the server knows of hosts and sites at a moment: the sample world, and above it what the team keeps. */
export interface Known {
  book: HostBook;
  cards: readonly HostCard[];
  sites: readonly Site[];
  team: Team;
}

/** The sample world, where it is served, and the team's folder, which is looked at again as time goes by. */
export function followKnown(config: Pick<Config, 'demo' | 'publicOrigin' | 'teamFolder'>, log: Logger): () => Known {
  const { demo, publicOrigin, teamFolder } = config;
  const { cards, problems } = loadCards(demo ? readCardFiles(publicOrigin) : []);
  problems.forEach((problem) => log.error(problem, sayCardProblem(problem)));
  const sites = demo ? readSites(publicOrigin) : [];
  const teamNow = followTeam(teamFolder);
  let known: Known | null = null;
  return () => {
    const team = teamNow();
    if (known?.team === team) return known;
    team.problems.forEach((problem) => log.error(problem));
    const allCards = above(team.cards, cards);
    const allSites = above(team.sites, sites);
    known = { team, cards: allCards, book: makeBook(allCards), sites: allSites.length > 0 ? allSites : [PLAIN_SITE] };
    return known;
  };
}

/** The items of the sample world, where it is served. */
export const demoItems = ({ demo, publicOrigin }: Pick<Config, 'demo' | 'publicOrigin'>): DemoItem[] =>
  demo ? readItems(publicOrigin) : [];

/** One has the place of another of its id. */
const above = <One extends { id: string }>(upper: readonly One[], lower: readonly One[]): One[] => [
  ...upper,
  ...lower.filter(({ id }) => !upper.some((one) => one.id === id)),
];
