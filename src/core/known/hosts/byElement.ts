import type { Kind } from '../../model/kind.ts';
import type { SettingId } from '../settings/list.ts';

/** What elements of our own can do with a media file (HTML, 4.8.8 to 4.8.11; RFC 8118 for documents). */
const BY_ELEMENT: { readonly [K in Kind]?: readonly SettingId[] } = {
  video: ['autoplay', 'mute', 'loop', 'controls', 'start', 'end', 'cover'],
  audio: ['autoplay', 'mute', 'loop', 'controls', 'start', 'end'],
  document: ['page'],
};

/** Whether the element of HTML for a kind of file does what a setting asks, without any host. */
export const byElement = (id: SettingId, kind: Kind): boolean => BY_ELEMENT[kind]?.includes(id) ?? false;

/** Settings of the frame that can be laid on the placeholder of a host's script. */
export const onPlaceholder: ReadonlySet<SettingId> = new Set(['title', 'elementId', 'className']);
