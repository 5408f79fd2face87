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
