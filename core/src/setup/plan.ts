import { z } from 'zod';

const minutes = z.number().int().min(0).max(600);
const sunHeightDeg = z.number().min(-18).max(90);

/** When a setup is to be made: while the sun stands between two heights, or while it reaches the sitter, or does not. */
export const planWindowSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('heights'),
    fromDeg: sunHeightDeg.meta({ description: 'height of the sun at which it begins' }),
    toDeg: sunHeightDeg.meta({ description: 'and ends: under `fromDeg` in the evening, over it in the morning' }),
  }),
  z.strictObject({ by: z.literal('sun'), reaches: z.boolean() }),
]);
export type PlanWindow = z.infer<typeof planWindowSchema>;

/** A setup's place in the plan of the day. */
export const planSchema = z.strictObject({
  startsAt: z.iso
    .datetime({ offset: true })
    .nullable()
    .meta({ description: 'first frame; null: as its window wants it' }),
  setUpMin: minutes,
  shootMin: minutes,
  packMin: minutes,
  moveMin: minutes.meta({ description: 'to the next spot' }),
  value: z.number().int().min(1).max(5).meta({ description: 'how much it is wanted' }),
  must: z.boolean().meta({ description: 'must not be missed' }),
  window: planWindowSchema.nullable().meta({ description: 'null: at any time' }),
});
export type SetupPlan = z.infer<typeof planSchema>;

/** What a setup takes when it comes into the plan. */
export const PLAIN_PLAN: SetupPlan = {
  startsAt: null,
  setUpMin: 10,
  shootMin: 15,
  packMin: 5,
  moveMin: 5,
  value: 3,
  must: false,
  window: null,
};
