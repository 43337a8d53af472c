import { ICalCalendar } from 'ical-generator';
import type { SavedEmbed } from '../shelf/saved.ts';

/** Something that is still to come: an item that comes out, or a page with it. Days as `2027-01-11`. */
export interface Coming {
  day: string;
  what: 'out' | 'pageOut';
  embed: SavedEmbed;
}

/** What comes from `today` on, the next first. */
export function coming(embeds: readonly SavedEmbed[], today: string): Coming[] {
  const all = embeds.flatMap((embed) =>
    (['out', 'pageOut'] as const).flatMap((what): Coming[] => {
      const day = embed.work[what];
      return day !== null && day >= today ? [{ day, what, embed }] : [];
    }),
  );
  return all.sort((a, b) => a.day.localeCompare(b.day) || a.what.localeCompare(b.what));
}

/** The days as an iCalendar (RFC 5545), one all-day event each; `say` gives the words of an event, `now` when it is written. */
export function calendarOf(days: readonly Coming[], say: (one: Coming) => string, now: Date): string {
  const calendar = new ICalCalendar({ prodId: { company: 'Refenestra', product: 'Shelf' }, name: 'Refenestra' });
  for (const one of days) {
    const { day, what, embed } = one;
    calendar.createEvent({
      id: `${what}-${embed.id}@refenestra.invalid`,
      stamp: now,
      // At noon, so that no time zone makes another day of it.
      start: new Date(`${day}T12:00:00`),
      allDay: true,
      summary: say(one),
      description: embed.title,
      ...(embed.item !== '' && { url: embed.item }),
    });
  }
  return calendar.toString();
}
