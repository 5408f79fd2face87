const BEFORE = 'sphene clock ';

/** What the code on the clock page says at a moment. */
export const clockCode = (ms: number): string => BEFORE + new Date(ms).toISOString();

/** The moment that a code says, ms; null where it is another code. */
export function momentOfCode(text: string): number | null {
  if (!text.startsWith(BEFORE)) return null;
  const ms = Date.parse(text.slice(BEFORE.length));
  return Number.isNaN(ms) ? null : ms;
}
