import { z } from 'zod';
import { idSchema } from '../gear';

import { type PointRole, ROLE_FACTS } from './point';

export const SCENE_CHANGES = ['subject-moved', 'head-turned', 'reflector', 'opening', 'sun'] as const;
export type SceneChangeKind = (typeof SCENE_CHANGES)[number];

/** Something in the scene changed, so that readings before it may not hold. A fact: only struck out. */
export const sceneChangeSchema = z.strictObject({
  type: z.literal('sceneChange'),
  version: z.literal(1),
  id: idSchema,
  setupId: idSchema,
  at: z.iso.datetime({ offset: true }),
  what: z.enum(SCENE_CHANGES),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
});
export type SceneChange = z.infer<typeof sceneChangeSchema>;

const on = (role: PointRole) => ROLE_FACTS[role].on;
/** Whose light each change touches. */
const TOUCHES: Record<SceneChangeKind, (role: PointRole) => boolean> = {
  'subject-moved': (role) => on(role) !== 'place',
  'head-turned': (role) => on(role) === 'face',
  reflector: (role) => on(role) !== 'place',
  opening: (role) => role !== 'sky',
  sun: () => true,
};

/** Whether a change of the scene touches the light at a kind of point. */
export const touchesPoint = (what: SceneChangeKind, role: PointRole): boolean => TOUCHES[what](role);
