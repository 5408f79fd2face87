import { z } from 'zod';

import { coldShareSchema } from './charge';
import { guideNumberFromWs } from './guideNumber';
import { powerScaleSchema } from './powerScale';

/** How strong a unit is: a stated guide number, or the energy that one is estimated from. */
export const flashOutputSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('guideNumber'),
    guideNumberM: z.number().min(1).max(400).meta({ description: 'metres, ISO 100, full power' }),
    zoomMm: z
      .number()
      .min(14)
      .max(300)
      .nullable()
      .meta({ description: 'zoom that the guide number is stated for; null: the head has no zoom' }),
  }),
  z.strictObject({
    by: z.literal('wattSeconds'),
    ws: z.number().min(1).max(10000).meta({ description: 'energy at full power' }),
  }),
]);

/** A flash unit in the kit. */
export const flashUnitSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  output: flashOutputSchema,
  scale: powerScaleSchema,
  highSpeedSyncLossStops: z
    .number()
    .min(0)
    .max(6)
    .nullable()
    .meta({ description: 'loss on entering high-speed sync, stops; null: the unit has none' }),
  t01FullS: z
    .number()
    .min(1e-5)
    .max(0.1)
    .nullable()
    .meta({ description: 't0.1 at full power, seconds; null: not known' }),
  popsFull: z
    .number()
    .min(1)
    .max(10000)
    .nullable()
    .meta({ description: 'full-power flashes in a charge; null: on the mains, or not known' }),
  outlets: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1).max(20),
        share: z.number().min(0.01).max(1).meta({ description: 'share of the dialled energy' }),
      }),
    )
    .max(8)
    .meta({ description: 'outlets of a pack with fixed shares; none: one head' }),
  recycleFullS: z
    .number()
    .min(0.01)
    .max(60)
    .nullable()
    .meta({ description: 'recycle time after full power, seconds; null: not known' }),
  coldShare: coldShareSchema,
  hotAfterPops: z
    .number()
    .min(1)
    .max(10000)
    .nullable()
    .meta({ description: 'full-power flashes in a row before it must cool; null: not known' }),
  charge: z
    .strictObject({ share: z.number().min(0).max(1), at: z.iso.datetime({ offset: true }) })
    .nullable()
    .meta({ description: 'what its battery held at a time, as somebody saw; null: full' }),
});
export type FlashUnit = z.infer<typeof flashUnitSchema>;

/** Guide number of a unit: as stated, or estimated from its energy. */
export const unitGuideNumberM = ({ output }: FlashUnit): number =>
  output.by === 'guideNumber' ? output.guideNumberM : guideNumberFromWs(output.ws);

/**
 * Stops that zooming a shoe flash's head from one focal length to another gains: about +1 from 35 to 105 mm, +1½
 * to 200 mm. A starting estimate.
 */
export function zoomGainStops(fromMm: number, toMm: number): number {
  const over35 = (mm: number) =>
    mm <= 105 ? Math.log(mm / 35) / Math.log(3) : 1 + (0.5 * Math.log(mm / 105)) / Math.log(200 / 105);
  return over35(toMm) - over35(fromMm);
}

/** Flashes that a charge gives at a power: as many more as each takes less energy; null where it is not known. */
export const popsPerCharge = ({ popsFull }: FlashUnit, powerStops: number): number | null =>
  popsFull === null ? null : Math.floor(popsFull * 2 ** -powerStops + 1e-6);

/** How far a unit's guide number may be off before it is calibrated, in stops (one standard deviation). */
export const unitUncertaintyStops = ({ output }: FlashUnit): number => (output.by === 'guideNumber' ? 0.5 : 2 / 3);

/**
 * Time to recycle after a flash of this power, seconds: proportional to its energy, `t_full · 2^P`; null where
 * the unit's is not known.
 */
export const recycleS = ({ recycleFullS }: FlashUnit, powerStops: number): number | null =>
  recycleFullS === null ? null : recycleFullS * 2 ** powerStops;

/**
 * Flash lost at a shutter beyond sync: the entry loss of high-speed sync, then a stop per stop of shutter.
 * @param beyondSyncStops stops of shutter past sync; 0 or less means ordinary sync and no loss
 */
export const highSpeedSyncLossStops = (entryLossStops: number, beyondSyncStops: number): number =>
  beyondSyncStops > 1e-9 ? entryLossStops + beyondSyncStops : 0;
