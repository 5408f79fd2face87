import { z } from 'zod';

import { type PointRole, ROLE_FACTS } from './point';

export const SCENE_CHANGES = ['subject-moved', 'head-turned', 'reflector', 'opening', 'sun'] as const;
export type SceneChangeKind = (typeof SCENE_CHANGES)[number];

/** Something in the scene changed, so that readings before it may not hold. A fact: only struck out. */
export const sceneChangeSchema = z.strictObject({
  type: z.literal('sceneChange'),
  version: z.literal(1),
  id: z.uuid(),
  setupId: z.uuid(),
  at: z.iso.datetime({ offset: true }),
  what: z.enum(SCENE_CHANGES),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
});
export type SceneChange = z.infer<typeof sceneChangeSchema>;

interface ChangeFacts {
  label: string;
  /** what happened, as the reason why a reading no longer holds */
  because: string;
  touches: (role: PointRole) => boolean;
}

const on = (role: PointRole) => ROLE_FACTS[role].on;
/** What a photographer reports, and whose light it touches. */
export const SCENE_CHANGE_FACTS: Record<SceneChangeKind, ChangeFacts> = {
  'subject-moved': { label: 'Subject moved', because: 'the subject moved', touches: (role) => on(role) !== 'place' },
  'head-turned': { label: 'Head turned', because: 'the head was turned', touches: (role) => on(role) === 'face' },
  reflector: { label: 'Reflector', because: 'a reflector was changed', touches: (role) => on(role) !== 'place' },
  opening: { label: 'Door or lamp', because: 'a door, curtain or lamp was changed', touches: (role) => role !== 'sky' },
  sun: { label: 'Sun or cloud', because: 'the sun or the cloud changed', touches: () => true },
};
