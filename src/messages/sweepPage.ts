import { escapeHtml } from '../core/model/markup/escape.ts';
import type { SweptFile } from '../core/many/sweep/found.ts';
import type { Numbers } from '../core/many/sweep/numbers.ts';
import { sayFinding } from './findings.ts';
import { language } from './language.ts';
import { t } from './t.ts';
import { SEVERITY_WORDS } from './severity.ts';
import { sayHost, sayLeft, sayNumbers, sayShortly, type HostName } from './sweep.ts';

interface Told {
  title: string;
  day: string;
  nameOf: HostName;
}

/** A sweep as a page of its own, without script, to be read and printed. */
export function sweepPage(files: readonly SweptFile[], numbers: Numbers, { title, day, nameOf }: Told): string {
  const rows = (cells: readonly (readonly (string | number)[])[]): string =>
    cells.map((row) => `<tr>${row.map((cell) => `<td>${escapeHtml(String(cell))}</td>`).join('')}</tr>`).join('\n');
  const table = (caption: string, head: readonly string[], cells: readonly (readonly (string | number)[])[]): string =>
    cells.length === 0
      ? ''
      : `<table><caption>${escapeHtml(caption)}</caption><thead><tr>${head.map((one) => `<th scope="col">${escapeHtml(one)}</th>`).join('')}</tr></thead><tbody>\n${rows(cells)}\n</tbody></table>`;
  const findings = numbers.findings.map(({ example, severity, places, after }) => [
    sayShortly(example),
    SEVERITY_WORDS[severity],
    places,
    after,
  ]);
  const hosts = numbers.hosts.map(({ host, places, items, loads, loadsAfter }) => [
    sayHost({ host }, nameOf),
    places,
    items,
    loads,
    loadsAfter,
  ]);
  const embeds = files.flatMap((file) =>
    file.embeds.map(({ line, host, item, findings: found, change }) => [
      `${file.file}:${line}`,
      sayHost({ host }, nameOf),
      item,
      found.map(sayFinding).join(' '),
      change ? t('changed') : '',
    ]),
  );
  const left = files.flatMap((file) => file.left.map(({ line, why }) => [`${file.file}:${line}`, sayLeft(why)]));
  return `<!doctype html>
<html lang="${language()}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>${escapeHtml(title)}</title>
<style>body{font:14px/1.5 sans-serif;margin:2rem;color:#1e2630}table{border-collapse:collapse;margin:1.5rem 0;width:100%}caption{text-align:left;font-weight:600;padding:.5rem 0}td,th{border:1px solid #9aa3ad;padding:.25rem .5rem;text-align:left;vertical-align:top;overflow-wrap:anywhere}thead{background:#f5f2ea}@media print{body{margin:0}thead{display:table-header-group}tr{break-inside:avoid}}</style>
</head>
<body>
<h1>${escapeHtml(title)}</h1>
<p>${escapeHtml(day)}. ${escapeHtml(sayNumbers(numbers))}</p>
${table(t('What was found'), [t('check'), t('counts as'), t('places'), t('after the changes')], findings)}
${table(t('Hosts'), [t('host'), t('places'), t('items'), t('load before asking'), t('after the changes')], hosts)}
${table(t('Embeds'), [t('place'), t('host'), t('item'), t('findings'), ''], embeds)}
${table(t('Left as it is'), [t('place'), t('why')], left)}
</body>
</html>
`;
}
