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
