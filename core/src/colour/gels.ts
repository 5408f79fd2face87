import { z } from 'zod';

import { type LightColour, miredOf, shiftedKelvin } from './mired';

/** A gel in the kit. Makers' grades differ: all figures are the owner's to edit. */
export const gelSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  shiftMired: z.number().min(-300).max(400).meta({ description: 'warming is positive' }),
  greenCc: z.number().min(-60).max(60).meta({ description: 'plus-green is positive, colour-compensating units' }),
  lossStops: z.number().min(0).max(10),
});
export type Gel = z.infer<typeof gelSchema>;

const sum = (gels: readonly Gel[], of: (gel: Gel) => number): number => gels.reduce((total, gel) => total + of(gel), 0);

/** What a stack takes away, stops: the losses add. */
export const gelLossStops = (gels: readonly Gel[]): number => sum(gels, ({ lossStops }) => lossStops);

/** A source behind a stack: the shifts in mired add, and so do the tints. */
export const gelled = ({ kelvin, greenCc }: LightColour, gels: readonly Gel[]): LightColour => ({
  kelvin: shiftedKelvin(
    kelvin,
    sum(gels, ({ shiftMired }) => shiftMired),
  ),
  greenCc: greenCc + sum(gels, (gel) => gel.greenCc),
});

/** A tint is seen sooner than as much warmth. */
const GREEN_WEIGHT = 2;
/** Light is worth this much colour: a stack that loses a stop more must come nearer by this many mired; and each piece is work. */
const LOSS_WEIGHT_MIRED = 15;
const PIECE_WEIGHT_MIRED = 6;
const MOST_IN_A_STACK = 3;

/** How far two colours lie apart, in mired; tint counts double. */
export const colourDistanceMired = (a: LightColour, b: LightColour): number =>
  Math.hypot(miredOf(a.kelvin) - miredOf(b.kelvin), GREEN_WEIGHT * (a.greenCc - b.greenCc));

/**
 * The stack that brings a source nearest to a wanted colour, weighing what it loses; no gel where none helps.
 * Every stack of up to three of the gels at hand is tried, one piece of each grade.
 */
export function stackFor<T extends Gel>(
  source: LightColour,
  wanted: LightColour,
  gels: readonly T[],
): { stack: T[]; result: LightColour; missMired: number } {
  const cost = (stack: readonly T[]) =>
    colourDistanceMired(gelled(source, stack), wanted) +
    LOSS_WEIGHT_MIRED * gelLossStops(stack) +
    PIECE_WEIGHT_MIRED * stack.length;
  let best: T[] = [];
  let least = cost(best);
  const grow = (stack: readonly T[], from: number): void => {
    for (let index = from; index < gels.length; index += 1) {
      const gel = gels[index];
      if (gel === undefined) continue;
      const next = [...stack, gel];
      const its = cost(next);
      if (its < least - 1e-9) [best, least] = [next, its];
      if (next.length < MOST_IN_A_STACK) grow(next, index + 1);
    }
  };
  grow([], 0);
  const result = gelled(source, best);
  return { stack: best, result, missMired: colourDistanceMired(result, wanted) };
}
