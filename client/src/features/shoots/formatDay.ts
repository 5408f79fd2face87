/** A day as people say it, from its ISO date. The date has no zone of its own: it is the day at the place. */
export const formatDay = (isoDate: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(new Date(`${isoDate}T12:00:00Z`));
