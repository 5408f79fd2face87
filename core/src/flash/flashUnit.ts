import { z } from 'zod';

import { guideNumberFromWs } from './guideNumber';
import { powerScaleSchema } from './powerScale';

/** How strong a unit is: a stated guide number, or the energy that one is estimated from. */
export const flashOutputSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('guideNumber'), guideNumberM: z.number().min(1).max(400).meta({ description: 'metres, ISO 100, full power' }) }),
  z.strictObject({ by: z.literal('wattSeconds'), ws: z.number().min(1).max(10000).meta({ description: 'energy at full power' }) }),
]);

/** A flash unit in the kit. */
export const flashUnitSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  output: flashOutputSchema,
  scale: powerScaleSchema,
  highSpeedSyncLossStops: z.number().min(0).max(6).nullable().meta({ description: 'loss on entering high-speed sync, stops; null: the unit has none' }),
});
export type FlashUnit = z.infer<typeof flashUnitSchema>;

/** Guide number of a unit: as stated, or estimated from its energy. */
export const unitGuideNumberM = ({ output }: FlashUnit): number =>
  output.by === 'guideNumber' ? output.guideNumberM : guideNumberFromWs(output.ws);

/** How far a unit's guide number may be off before it is calibrated, in stops (one standard deviation). */
export const unitUncertaintyStops = ({ output }: FlashUnit): number => (output.by === 'guideNumber' ? 0.5 : 2 / 3);

/**
 * Flash lost at a shutter beyond sync: the entry loss of high-speed sync, then a stop per stop of shutter.
 * @param beyondSyncStops stops of shutter past sync; 0 or less means ordinary sync and no loss
 */
export const highSpeedSyncLossStops = (entryLossStops: number, beyondSyncStops: number): number =>
  beyondSyncStops > 1e-9 ? entryLossStops + beyondSyncStops : 0;
