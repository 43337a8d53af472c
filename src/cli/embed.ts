import { bringIn, type Recognised } from '../core/pipeline.ts';
import { parseValue, type SettingValue } from '../core/model/values.ts';
import { isSettingId, settingOf, type SettingId, type Settings } from '../core/known/settings/list.ts';
import { FORMS, isCodeForm } from '../core/steps/write/forms/list.ts';
import { sayFinding } from '../messages/findings.ts';
import { sayReason, STATE_WORDS } from '../messages/plan.ts';
import { sayRefusal } from '../messages/reading.ts';
import { sayWrongValue } from '../messages/settings.ts';
import type { HostBook } from '../core/known/hosts/book.ts';
import { mayAsk, type Answer } from '../core/many/batch/row.ts';
import { aboutOf, type Facts } from '../core/model/item.ts';
import { embedAnswer } from '../programs/embed.ts';
import { askPolitely } from '../workers/askPolitely.ts';
import { askingOf } from './asking.ts';
import { openBook, readSite, readText, UsageError } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  set: string[];
  site?: string;
  form: string;
  keepRunning?: boolean;
  hosts?: string;
  json?: boolean;
  ask?: string;
  providers?: string;
}

/** Prints the code for the first thing in the text that can be embedded. */
export async function embed(argument: string, options: Options): Promise<number> {
  const { form } = options;
  if (!isCodeForm(form))
    throw new UsageError(
      t('There is no code type called “{form}”. There are {forms}.', { form, forms: FORMS.map((f) => f.id).join(', ') }),
    );
  const book = openBook(options.hosts);
  const asked = readSettings(options.set);
  const site = options.site === undefined ? null : readSite(options.site);
  const found = bringIn(await readText(argument), book);
  const { chosen, facts } = await playerOf(
    found.find((one) => one.item),
    book,
    options,
  );
  if (!chosen?.item) {
    console.error(sayRefusal(found[0]!.refusal!));
    return 1;
  }
  const running = options.keepRunning ? 'keep' : null;
  const answer = embedAnswer(chosen.item, asked, { book, site, form, facts, running });
  const { plan, code, findings } = answer;
  if (options.json) console.log(JSON.stringify(answer, null, 2));
  else {
    console.log(code);
    for (const entry of plan.entries)
      if (entry.state !== 'sent' && entry.state !== 'done here')
        console.error(`${entry.setting}: ${STATE_WORDS[entry.state]}. ${sayReason(entry.reason)}`);
    findings.forEach((finding) => console.error(`${finding.severity}: ${sayFinding(finding)}`));
  }
  return findings.some((finding) => finding.severity === 'error') ? 1 : 0;
}

/** What was brought, and what its host says of it; for a link that no card knows, the player that its page names. */
async function playerOf(
  brought: Recognised | undefined,
  book: HostBook,
  { ask, providers }: Options,
): Promise<{ chosen: Recognised | undefined; facts: Facts }> {
  const { item } = brought ?? {};
  if (ask === undefined || !item || !(item.plain || mayAsk(item.host ?? '', { book }))) return { chosen: brought, facts: {} };
  let answer: Answer = { facts: {} };
  await askPolitely([{ link: aboutOf(item) }], await askingOf(ask, providers), (_, told) => (answer = told));
  const player = item.plain && answer.player !== undefined ? bringIn(answer.player, book).find((one) => one.item) : undefined;
  return { chosen: player ?? brought, facts: answer.facts };
}

function readSettings(pairs: readonly string[]): Settings {
  const settings: { [Id in SettingId]?: SettingValue } = {};
  for (const pair of pairs) {
    const [, id, text] = /^([^=]*)=(.*)$/s.exec(pair) ?? [];
    if (id === undefined || text === undefined)
      throw new UsageError(t('“{pair}” is not name=value, such as start=1:12.', { pair }));
    if (!isSettingId(id)) throw new UsageError(t('There is no setting called “{id}”. `cli -- settings` lists them.', { id }));
    const value = parseValue(settingOf(id).value, text);
    if (value === undefined) throw new UsageError(sayWrongValue(id, text));
    settings[id] = value;
  }
  return settings;
}
