import type { ExposureSettings } from '../photometry';

/** Which of the three values a meter shows; the other two are held on it. */
export const READ_VALUES = ['aperture', 'shutter', 'iso'] as const;
export type ReadValue = (typeof READ_VALUES)[number];
/** Where each value lies among exposure settings. */
export const SETTING_OF = { aperture: 'av', shutter: 'tv', iso: 'sv' } as const satisfies Record<
  ReadValue,
  keyof ExposureSettings
>;

/**
 * The settings that a meter shows at a light level when two of its values are held: `Av + Tv − Sv = EV100` solved for the third.
 * @param held all three; the one that is read is ignored
 */
export function settingsAt(level: number, read: ReadValue, held: ExposureSettings): ExposureSettings {
  if (read === 'aperture') return { ...held, av: level - held.tv + held.sv };
  if (read === 'shutter') return { ...held, tv: level - held.av + held.sv };
  return { ...held, sv: held.av + held.tv - level };
}
