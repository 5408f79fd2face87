import type { Shoot, Spot, Surroundings } from '../documents';
import type { Kit } from '../gear';
import type { Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import type { Words } from '../words';

/** A solved setup with what stands round it: what every sheet of a setup is written from. */
export interface SheetFacts {
  shoot: Shoot;
  spot: Spot;
  setup: Setup;
  kit: Kit;
  numbers: SolutionNumbers;
  around: Surroundings;
  /** as of when it holds, ms */
  atMs: number;
}

/** A moment by the clock of the spot. */
export function clockAt({ shoot, spot }: Pick<SheetFacts, 'shoot' | 'spot'>, ms: number): string {
  const timeZone = spot.timeZone ?? shoot.timeZone;
  return new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
    ms,
  );
}

/** Where on a clock face something stands whose middle is the subject: the camera is at six, behind the subject is twelve. */
export function clockHour(sideDeg: number): number {
  const hour = Math.round(((6 - sideDeg / 30 + 24) % 12) * 2) / 2;
  return hour < 1 ? hour + 12 : hour;
}

/** Where a sheet belongs and as of when it holds. */
export const underTitle = (facts: SheetFacts, words: Words): string =>
  words.sheet.under(facts.shoot.title, facts.spot.title, clockAt(facts, facts.atMs));
