import { z } from 'zod';

import { KELVIN_RANGE } from '../colour';
import { beamLossStops, beamSchema } from '../modifiers';
import { angleDeg, direction, lightPlace, minus } from '../scene';
import { addLight, domeResponse, ev100FromLux, formatStopCount, formatStops } from '../photometry';
import type { Kit } from './kit';
import type { Setup } from './setup';
import type { PointSolution } from './solution';

const kelvin = z.number().min(KELVIN_RANGE.least).max(KELVIN_RANGE.most);

/** A continuous lamp in the kit. */
export const lampSchema = z
  .strictObject({
    name: z.string().trim().min(1).max(80),
    output: z.discriminatedUnion('by', [
      z.strictObject({
        by: z.literal('lux'),
        luxAt1M: z.number().min(1).max(1e6).meta({ description: 'on its axis at one metre, full power' }),
      }),
      z.strictObject({
        by: z.literal('lumens'),
        lumens: z.number().min(1).max(1e6),
        beamDeg: z.number().min(5).max(180).meta({ description: 'full angle that the light fills' }),
      }),
    ]),
    kelvinLow: kelvin,
    kelvinHigh: kelvin,
    beam: beamSchema,
  })
  .refine(({ kelvinLow, kelvinHigh }) => kelvinLow <= kelvinHigh, {
    path: ['kelvinHigh'],
    message: 'the coolest colour is at least the warmest',
  });
export type Lamp = z.infer<typeof lampSchema>;

/** A lamp in a setup: it counts as ambient with a dial. */
export const placedLampSchema = z.strictObject({
  id: z.uuid(),
  lampId: z.uuid(),
  pointId: z.string().min(1).max(60).meta({ description: 'the point that it falls on' }),
  distanceM: z.number().min(0.2).max(30),
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the line to the camera, positive to the right of the camera; 180 is behind' }),
  heightM: z.number().min(-2).max(5).meta({ description: 'over what it falls on' }),
  offAxisDeg: z.number().min(0).max(90).meta({ description: 'how far beside its axis the point lies' }),
  dimStops: z.number().min(-10).max(0).meta({ description: 'stops below full' }),
  kelvin,
});
export type PlacedLamp = z.infer<typeof placedLampSchema>;

/** Lux on the axis at a metre: as stated, or the lumens spread evenly over the cone, `Φ / (2π(1 − cos(β/2)))`. */
export const lampLuxAt1M = ({ output }: Lamp): number =>
  output.by === 'lux'
    ? output.luxAt1M
    : output.lumens / (2 * Math.PI * (1 - Math.cos((output.beamDeg * Math.PI) / 360)));

const MIDDLE = { x: 0, y: 0, z: 0 };

/** What a lamp gives where it falls. */
export interface LampSolution {
  id: string;
  name: string;
  pointId: string;
  ev100: number;
  /** change of the ambient at the point when it is switched on, stops; null where the ambient is not metered */
  addsStops: number | null;
  kelvin: number;
  text: string;
}

/** The light of each lamp at its point by the inverse square and as a dome there sees it, and what it adds to the ambient that was metered without it. */
export const solveLamps = ({ lamps }: Setup, kit: Kit, points: readonly PointSolution[]): LampSolution[] =>
  lamps.flatMap((placed): LampSolution[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const point = points.find(({ pointId }) => pointId === placed.pointId);
    if (lamp === undefined || point === undefined) return [];
    const asideDeg = angleDeg(minus(lightPlace(MIDDLE, placed), MIDDLE), direction(0));
    const ev100 =
      ev100FromLux((lampLuxAt1M(lamp) / placed.distanceM ** 2) * 2 ** placed.dimStops, 'dome') -
      beamLossStops(lamp.beam, placed.offAxisDeg) +
      Math.log2(Math.max(0.02, domeResponse(asideDeg)));
    const addsStops = point.ambientEv100 === null ? null : addLight(point.ambientEv100, ev100) - point.ambientEv100;
    const beside =
      point.ambientEv100 === null
        ? ''
        : `, ${formatStopCount(ev100 - point.ambientEv100)} stops ${ev100 < point.ambientEv100 ? 'under' : 'over'} the ambient there`;
    return [
      {
        id: placed.id,
        name: lamp.name,
        pointId: point.pointId,
        ev100,
        addsStops,
        kelvin: placed.kelvin,
        text: `EV ${ev100.toFixed(1)} on the ${point.name.toLowerCase()}${beside}${addsStops === null ? '' : `: switched on it adds ${formatStops(addsStops)}`}.`,
      },
    ];
  });
