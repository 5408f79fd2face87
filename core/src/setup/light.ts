import { z } from 'zod';

import { idSchema, kelvin } from '../gear';
import type { PointRole } from './point';

/** What a light does in the picture, in the order in which lights are metered: the key last. */
export const LIGHT_ROLES = ['background', 'fill', 'rim', 'motivated', 'key'] as const;
export type LightRole = (typeof LIGHT_ROLES)[number];

/** What a motivated light stands for: a source that the viewer believes in, seen in the picture or not. */
export const MOTIVES = ['lowSun', 'window', 'lamp', 'headlight', 'fire'] as const;
export type Motive = (typeof MOTIVES)[number];

interface LightRoleFacts {
  /** the kind of point that it aims at */
  aims: PointRole;
  /** where it usually stands, seen from what it aims at */
  stand: { distanceM: number; sideDeg: number; heightM: number };
  /** what it should bring its point to, stops against the face's final place; null: the look or the hair says it */
  overFaceStops: number | null;
  /** whether it falls on people, so that its colour is theirs */
  onPeople: boolean;
}

/** Each role with where a light of it is put until the photographer says otherwise. Sources: usual placements of portrait lighting. */
export const LIGHT_ROLE_FACTS: Record<LightRole, LightRoleFacts> = {
  key: {
    aims: 'face',
    stand: { distanceM: 1.5, sideDeg: 40, heightM: 0.4 },
    overFaceStops: null,
    onPeople: true,
  },
  fill: {
    aims: 'shadow',
    stand: { distanceM: 2.2, sideDeg: 0, heightM: 0.2 },
    overFaceStops: -1.5,
    onPeople: true,
  },
  rim: {
    aims: 'highlight',
    stand: { distanceM: 1.8, sideDeg: -145, heightM: 0.7 },
    overFaceStops: null,
    onPeople: true,
  },
  background: {
    aims: 'background',
    stand: { distanceM: 1.5, sideDeg: 30, heightM: 0 },
    overFaceStops: -0.5,
    onPeople: false,
  },
  motivated: {
    aims: 'face',
    stand: { distanceM: 4, sideDeg: -70, heightM: 0.8 },
    overFaceStops: -1,
    onPeople: true,
  },
};

/** Radio groups. */
export const RADIO_GROUPS = ['A', 'B', 'C', 'D', 'E', 'F'] as const;
export const MOST_LIGHTS = RADIO_GROUPS.length;

/** What a light's centre may be over its aim, metres. */
const HEIGHT_M = { least: -2, most: 5 } as const;

const standsFor = z
  .enum(MOTIVES)
  .nullable()
  .meta({ description: 'of a motivated light: the source that it imitates; null: nobody said' });

/** A lamp as it stands and burns: it counts as ambient with a dial. */
export const stoodLampSchema = z.strictObject({
  id: idSchema,
  lampId: idSchema,
  pointId: z.string().min(1).max(60).meta({ description: 'the point that it falls on' }),
  distanceM: z.number().min(0.2).max(30),
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the line to the camera, positive to the right of the camera; 180 is behind' }),
  heightM: z.number().min(-2).max(5).meta({ description: 'over what it falls on' }),
  offAxisDeg: z.number().min(0).max(90).meta({ description: 'how far beside its axis the point lies' }),
  on: z.boolean().meta({ description: 'switched on' }),
  dimStops: z.number().min(-10).max(0).meta({ description: 'stops below full' }),
  kelvin,
});
export type StoodLamp = z.infer<typeof stoodLampSchema>;

/** A lamp in a setup, with what it is meant to do. */
export const placedLampSchema = stoodLampSchema.extend({
  role: z.enum(LIGHT_ROLES).nullable().meta({ description: 'null: it is there, and nothing is asked of it' }),
  standsFor,
  fromDusk: z.boolean().meta({ description: 'it comes on by itself at dusk, as street lamps and shop windows do' }),
});
export type PlacedLamp = z.infer<typeof placedLampSchema>;

export const lightSchema = z.strictObject({
  id: idSchema,
  role: z.enum(LIGHT_ROLES),
  standsFor,
  unitId: idSchema,
  outlet: z
    .number()
    .int()
    .min(0)
    .max(7)
    .nullable()
    .meta({ description: 'which outlet of a pack, counted from 0; null: all of its power' }),
  zoomMm: z
    .number()
    .min(14)
    .max(300)
    .nullable()
    .meta({ description: 'zoom of a bare head; null: as its guide number is stated for' }),
  modifierId: idSchema.nullable().meta({ description: 'null: the standard reflector' }),
  gridId: idSchema.nullable(),
  gelIds: z.array(idSchema).max(4),
  standId: idSchema.nullable(),
  aimPointId: z.string().min(1).max(60).meta({ description: 'the point that it aims at' }),
  distanceM: z.number().min(0.3).max(30).meta({ description: 'from the front of the modifier to what it aims at' }),
  placeSaid: z.boolean().meta({ description: 'a person said how far it stands; else that is only assumed' }),
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the line to the camera, positive to the right of the camera; 180 is behind' }),
  heightM: z
    .number()
    .min(HEIGHT_M.least)
    .max(HEIGHT_M.most)
    .meta({ description: 'centre of the modifier over what it aims at' }),
  featherDeg: z
    .number()
    .min(-80)
    .max(80)
    .meta({ description: 'axis turned past what it aims at, in plan, positive to the right of the camera' }),
  group: z.enum(RADIO_GROUPS),
  channel: z.number().int().min(1).max(32),
  locked: z.boolean().meta({ description: 'held at the power that is dialled while the others are chosen' }),
  dialledStops: z
    .number()
    .min(-12)
    .max(0)
    .nullable()
    .meta({ description: 'power set on the unit, stops below full; null: not set yet' }),
});
/** How high a light stands once it is nearer or farther: as high for its distance, so that it keeps its elevation. */
export const heightAt = ({ distanceM, heightM }: Pick<Light, 'distanceM' | 'heightM'>, toM: number): number =>
  Number(Math.min(HEIGHT_M.most, Math.max(HEIGHT_M.least, (heightM * toM) / distanceM)).toFixed(3));

/** One flash in the setup. */
export type Light = z.infer<typeof lightSchema>;
