import type { PlanEntry, Reason, Sent, State } from '../core/model/plan.ts';
import { KIND_WORDS } from './kinds.ts';
import type { Sentences } from './sentences.ts';
import { showList, t } from './t.ts';

const REASONS: Sentences<Reason> = {
  sent: () => t('The host does this.'),
  alreadySo: () => t('The host does this anyway, so nothing is sent.'),
  byFrame: () => t('The frame does this itself; no host is needed.'),
  byElement: () => t('The browser does this itself with the file; no host is needed.'),
  byCover: () => t('The cover does this itself; it shows in the code types that have a cover.'),
  byPage: () => t('The page itself does this; no host is needed.'),
  ownFile: () => t('A file of your own stands in the page itself: there is no host to keep waiting, and no frame.'),
  formLacks: () => t('This code type cannot do it. Choose another.'),
  scriptMakesFrame: () => t('The host’s script makes the frame itself, and its size and edges with it.'),
  fromSite: () => t('The host asks for this, so it is taken from the site.'),
  elementLacks: ({ kind }) => t('A browser cannot do this with the file of {kind} by itself.', { kind: KIND_WORDS[kind] }),
  limited: ({ happens, date }) => t('{happens} (as of {date})', { happens, date }),
  nearest: ({ note, since }) => t('{note} (since {since})', { note, since }),
  withdrawn: ({ note, since }) => t('{note} (since {since})', { note, since }),
  hostLacks: ({ host }) => t('{host} has no setting for this.', { host }),
  valueLacks: ({ host, nearest }) =>
    nearest === null
      ? t('{host} has no word for this value.', { host })
      : t('{host} has no word for this value; it stays “{nearest}”.', { host, nearest }),
  noHost: () => t('No host card knows this address, so only the frame can be set.'),
  otherKind: ({ kind }) => t('This makes no sense for {kind}.', { kind: KIND_WORDS[kind] ?? kind }),
  otherTarget: () => t('The host does this for single items only.'),
  autoplayNeedsMute: () => t('Browsers refuse to start with sound by itself. Muted, it starts.'),
  endBeforeStart: () => t('The end is not after the start, so nothing would play.'),
  widthNeedsMode: () => t('A width in pixels has no effect while the frame fills the column.'),
  ratioAndHeight: () => t('Ratio and height both set the height; the height wins.'),
};

export const STATE_WORDS: Record<State, string> = {
  sent: t('sent'),
  'done here': t('done here'),
  'in part': t('in part'),
  'not offered': t('not offered'),
  conflict: t('conflict'),
  'not applicable': t('not for this kind'),
};

export const sayReason = (reason: Reason): string => REASONS[reason.code](reason as never);

/** What became of a setting, in one line. */
export function sayState({ state, sent, reason }: PlanEntry): string {
  const how =
    sent.length > 0
      ? state === 'sent'
        ? t(' as {sent}', { sent: saySent(sent) })
        : t(', sent as {sent}', { sent: saySent(sent) })
      : '';
  return `${STATE_WORDS[state]}${how}. ${sayReason(reason)}`;
}

const saySent = (sent: readonly Sent[]): string =>
  showList(sent.map((s) => (s.in === 'origin' ? t('the {value} domain', { value: s.value }) : `${s.name}=${s.value}`)));
