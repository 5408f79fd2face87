import { z } from 'zod';
import { idSchema } from '../gear';

import { type PointRole, ROLE_FACTS } from './point';

/** What a person reports. */
export const REPORTED_CHANGES = ['subject-moved', 'head-turned', 'reflector', 'opening', 'sun'] as const;
/** What the application knows by itself, because it was done in it. */
export const KNOWN_CHANGES = [
  'opening-moved',
  'background-moved',
  'camera-moved',
  'light-moved',
  'gel-changed',
  'lamp',
  'set-turned',
] as const;
export const SCENE_CHANGES = [...REPORTED_CHANGES, ...KNOWN_CHANGES] as const;
export type SceneChangeKind = (typeof SCENE_CHANGES)[number];

/** Something in the scene changed, so that readings before it may not hold. A fact: only struck out. */
export const sceneChangeSchema = z.strictObject({
  type: z.literal('sceneChange'),
  version: z.literal(3),
  id: idSchema,
  setupId: idSchema,
  at: z.iso.datetime({ offset: true }),
  what: z.enum(SCENE_CHANGES),
  thingId: idSchema.nullable().meta({ description: 'the light, lamp or panel; null: none, or nobody said which' }),
  sunOut: z
    .boolean()
    .nullable()
    .meta({ description: 'of a change of sun or cloud: whether the sun is out since; null: nobody said' }),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
});
export type SceneChange = z.infer<typeof sceneChangeSchema>;

/** What a change of the scene is when nothing more is known of it: as a person reports it. */
export const PLAIN_CHANGE = {
  type: 'sceneChange',
  version: 3,
  thingId: null,
  sunOut: null,
  struckAt: null,
} satisfies Partial<SceneChange>;

const on = (role: PointRole) => ROLE_FACTS[role].on;
const never = () => false;
/** Whose light each change touches, as far as the light that is there goes. */
const TOUCHES: Record<SceneChangeKind, (role: PointRole) => boolean> = {
  'subject-moved': (role) => on(role) !== 'place',
  'head-turned': (role) => on(role) === 'face',
  reflector: (role) => on(role) !== 'place',
  opening: (role) => role !== 'sky',
  sun: () => true,
  'opening-moved': (role) => role !== 'sky',
  'background-moved': (role) => role === 'background',
  'set-turned': () => true,
  'camera-moved': never,
  'light-moved': never,
  'gel-changed': never,
  lamp: () => true,
};

/** Whether a change of the scene touches the light at a kind of point. */
export const touchesPoint = (what: SceneChangeKind, role: PointRole): boolean => TOUCHES[what](role);
