import { format, parseISO } from 'date-fns';

/** `20:05` of today, `4 Mar 20:05` of this year, with the year else. */
export function timeText(iso: string, now = new Date()): string {
  const at = new Date(iso);
  const clock = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (at.toDateString() === now.toDateString()) return clock;
  const isThisYear = at.getFullYear() === now.getFullYear();
  const day = at.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(isThisYear ? {} : { year: 'numeric' })
  });
  return `${day} ${clock}`;
}

/** The day of today, as it is kept: `1991-06-30`. */
export const today = (now = new Date()): string => format(now, 'yyyy-MM-dd');

/** `30 June 1991`. */
export const dayText = (day: string): string => format(parseISO(day), 'd MMMM yyyy');
