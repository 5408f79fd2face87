/** How old something is, in the largest unit that says enough: `4 min`, `3 h`, `12 days`. */
export function sayDuration(minutes: number): string {
  if (minutes < 60) return `${Math.floor(minutes)} min`;
  return minutes < 48 * 60 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`;
}

/** How long ago something was. */
export const sayAge = (minutes: number): string => (minutes < 1 ? 'just now' : `${sayDuration(minutes)} ago`);
