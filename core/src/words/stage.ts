import type { SunStand } from '../ambient';
import type { Subject } from '../setup';

/** Where the sun stands, in words. */
export function saySun({ sideDeg, altitudeDeg }: SunStand): string {
  if (altitudeDeg <= 0) return `Sun ${Math.abs(altitudeDeg).toFixed(0)}° under the horizon.`;
  const aside = Math.abs(sideDeg);
  const side = sideDeg < 0 ? 'left' : 'right';
  const where =
    aside > 150
      ? 'behind the subject: a rim, the face in its own shade'
      : aside > 100
        ? `behind and ${side}: a rim on that side`
        : aside > 50
          ? `from the ${side}: one side lit`
          : 'in front: squinting, harsh shadows';
  return `Sun ${where}, ${altitudeDeg.toFixed(0)}° high.`;
}

/** Who stands there, in words: `light skin, dark hair, hat`. */
export const saySubject = ({ skin, hair, hat, spectacles, deepSet, company }: Subject): string =>
  [
    company === 'two' ? 'two people' : null,
    `${skin} skin`,
    `${hair} hair`,
    hat ? 'hat' : null,
    spectacles ? 'spectacles' : null,
    deepSet ? 'deep-set eyes' : null,
  ]
    .filter((part) => part !== null)
    .join(', ');
