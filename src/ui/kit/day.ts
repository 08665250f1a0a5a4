/** A day as it is said: 18 December, with its year where that is another. */
export function sayDay(day: string): string {
  const date = new Date(`${day}T00:00:00Z`);
  if (Number.isNaN(date.getTime())) return day;
  const thisYear = date.getUTCFullYear() === new Date().getUTCFullYear();
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC', ...(thisYear ? {} : { year: 'numeric' }) });
}
