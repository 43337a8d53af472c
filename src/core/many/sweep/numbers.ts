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
  /** The pages at which most is loaded unasked: ten at most, and none that loads one thing alone. */
  pages: readonly PageNumbers[];
}

/** What a page loads before a visitor asked for it, today and after the changes: as many embeds. */
export interface PageNumbers {
  file: string;
  loads: number;
  loadsAfter: number;
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
  /** Whether one of them can be put right without anybody’s words. */
  byItself: boolean;
}

const BY_ITSELF: ReadonlySet<string | undefined> = new Set(['settings', 'text', 'parameter']);
const MOST_PAGES = 10;
const RANK = { error: 0, warning: 1, note: 2 } as const;

/** The numbers of what was found in these files. */
export function numbersOf(files: readonly SweptFile[]): Numbers {
  const sums = { files: files.length, embeds: 0, links: 0, left: 0, changes: 0 };
  const items = new Set<string>();
  const hosts = new Map<string | null, HostSums>();
  const findings = new Map<string, Writable<FindingNumbers>>();
  const pages: PageNumbers[] = [];
  for (const { file, embeds, links, left } of files) {
    sums.links += links.length;
    sums.left += left.length;
    for (const embed of embeds) {
      sums.embeds++;
      if (embed.change) sums.changes++;
      items.add(embed.item);
      addToHost(hosts, embed);
      addFindings(findings, embed);
    }
    const loads = embeds.reduce((sum, embed) => sum + Number(embed.loads), 0);
    if (loads > 1) pages.push({ file, loads, loadsAfter: embeds.reduce((sum, embed) => sum + Number(loadsAfter(embed)), 0) });
  }
  return {
    ...sums,
    items: items.size,
    hosts: [...hosts.values()].map((host) => ({ ...host, items: host.items.size })).sort((a, b) => b.places - a.places),
    findings: [...findings.values()].sort((a, b) => RANK[a.severity] - RANK[b.severity] || b.places - a.places),
    pages: pages.sort((a, b) => b.loads - a.loads).slice(0, MOST_PAGES),
  };
}

const loadsAfter = ({ loads, change }: SweptEmbed): boolean => (change ? change.loads : loads);

type Writable<Of> = { -readonly [Key in keyof Of]: Of[Key] };
type HostSums = Writable<Omit<HostNumbers, 'items'>> & { items: Set<string> };

function addToHost(hosts: Map<string | null, HostSums>, embed: SweptEmbed): void {
  const { host, item, loads } = embed;
  let sums = hosts.get(host);
  if (!sums) hosts.set(host, (sums = { host, places: 0, items: new Set(), loads: 0, loadsAfter: 0 }));
  sums.places++;
  sums.items.add(item);
  if (loads) sums.loads++;
  if (loadsAfter(embed)) sums.loadsAfter++;
}

/** Each check once for an embed, with the last of its findings. */
function addFindings(found: Map<string, Writable<FindingNumbers>>, { findings, change }: SweptEmbed): void {
  findings.forEach((one, i) => {
    const { code, severity } = one;
    if (findings.some((other, j) => j > i && other.code === code)) return;
    let sums = found.get(code);
    if (!sums) found.set(code, (sums = { code, severity, example: one, places: 0, after: 0, byItself: false }));
    sums.places++;
    sums.byItself ||= BY_ITSELF.has(one.remedy?.by);
    if (!change?.ends.includes(code)) sums.after++;
  });
}
