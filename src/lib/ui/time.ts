import { format, isSameYear, isToday } from 'date-fns';

/** `20:05` of today, `4 Mar 20:05` of this year, with the year else. */
export function timeText(iso: string, now = new Date()): string {
  const at = new Date(iso);
  return format(at, isToday(at) ? 'HH:mm' : isSameYear(at, now) ? 'd MMM HH:mm' : 'd MMM yyyy HH:mm');
}
