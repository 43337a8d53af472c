import type { Finding, Severity } from '../../steps/check/finding.ts';
import type { SweptEmbed, SweptFile } from './found.ts';

/** What a sweep comes to, today and after what the rules change. */
export interface Numbers {
  files: number;
  embeds: number;
  items: number;
  links: number;
  left: number;
  changes: number;
  /** Most places first. */
  hosts: readonly HostNumbers[];
  /** Most serious first, then most places. */
  findings: readonly FindingNumbers[];
}

/** What a sweep comes to for one host. */
export interface HostNumbers {
  /** Null for addresses of which no card knows. */
  host: string | null;
  places: number;
  items: number;
  /** Places at which it is asked before any visitor wanted it, today and after. */
  loads: number;
  loadsAfter: number;
}

/** How often a check found something. */
export interface FindingNumbers {
  code: string;
  severity: Severity;
  /** One of them. */
  example: Finding;
  places: number;
  /** Places that still have it after the changes. */
  after: number;
}

const RANK = { error: 0, warning: 1, note: 2 } as const;

/** The numbers of what was found in these files. */
export function numbersOf(files: readonly SweptFile[]): Numbers {
  const embeds = files.flatMap((file) => file.embeds);
  const sum = (of: (file: SweptFile) => number): number => files.reduce((all, file) => all + of(file), 0);
  return {
    files: files.length,
    embeds: embeds.length,
    items: new Set(embeds.map(({ item }) => item)).size,
    links: sum(({ links }) => links.length),
    left: sum(({ left }) => left.length),
    changes: embeds.filter(({ change }) => change).length,
    hosts: hostsOf(embeds),
    findings: findingsOf(embeds),
  };
}

function hostsOf(embeds: readonly SweptEmbed[]): HostNumbers[] {
  const byHost = new Map<string | null, SweptEmbed[]>();
  for (const embed of embeds) {
    const its = byHost.get(embed.host);
    if (its) its.push(embed);
    else byHost.set(embed.host, [embed]);
  }
  const hosts = [...byHost].map(([host, its]) => ({
    host,
    places: its.length,
    items: new Set(its.map(({ item }) => item)).size,
    loads: its.filter(({ loads }) => loads).length,
    loadsAfter: its.filter(({ loads, change }) => (change ? change.loads : loads)).length,
  }));
  return hosts.sort((a, b) => b.places - a.places);
}

function findingsOf(embeds: readonly SweptEmbed[]): FindingNumbers[] {
  const found = new Map<string, FindingNumbers>();
  for (const { findings, change } of embeds)
    for (const [code, example] of new Map(findings.map((one) => [one.code, one]))) {
      const before = found.get(code) ?? { code, severity: example.severity, example, places: 0, after: 0 };
      found.set(code, {
        ...before,
        places: before.places + 1,
        after: before.after + Number(!change?.ends.includes(code)),
      });
    }
  return [...found.values()].sort((a, b) => RANK[a.severity] - RANK[b.severity] || b.places - a.places);
}
