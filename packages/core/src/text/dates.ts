/*
 * Days and times as they are written, by `Intl`, in the reader's time zone. Made once: a formatter takes longer to make than to use.
 */
const DAY = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' });
const MOMENT = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** A day: `28 Nov 2026`. Takes a date as text or in milliseconds, as everything here. */
export function dayText(at: string | number): string {
  return DAY.format(new Date(at));
}

/** A day with the time: `28 Nov 2026, 14:05`. */
export function momentText(at: string | number): string {
  return MOMENT.format(new Date(at));
}

/** The time of day: `14:05`. */
export function clockText(at: string | number): string {
  return CLOCK.format(new Date(at));
}
