const sameDay = (a: Date, b: Date): boolean => a.toDateString() === b.toDateString();

/** A moment's time of day, as the person's own clock and habits have it. */
export const timeOf = (at: number): string =>
  new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });

/** A moment's day in words. */
export function dayOf(at: number, now = Date.now()): string {
  const day = new Date(at);
  if (sameDay(day, new Date(now))) return 'today';
  if (sameDay(day, new Date(now - 24 * 3600 * 1000))) return 'yesterday';
  const thisYear = day.getFullYear() === new Date(now).getFullYear();
  return day.toLocaleDateString([], {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    ...(thisYear ? {} : { year: 'numeric' }),
  });
}

/** A moment as day and time. */
export const whenOf = (at: number, now = Date.now()): string => `${dayOf(at, now)}, ${timeOf(at)}`;

/** Room on the disc, in the unit that suits it. */
export function roomOf(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1e6) return `${(bytes / 1000).toFixed(0)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}
