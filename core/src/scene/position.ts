/** A place in the scene, metres: x to the camera's right, y up from the subject's eyes, z from the subject to the camera. */
export interface Place {
  x: number;
  y: number;
  z: number;
}

/** Where a light stands, seen from what it aims at. */
export interface LightStand {
  /** straight from what it aims at to the front of the modifier */
  distanceM: number;
  /** from the line to the camera: 0 on it, positive to the camera's right, 180 behind */
  sideDeg: number;
  /** centre of the modifier over what it aims at; negative: under it */
  heightM: number;
}

const RADIANS = Math.PI / 180;
/** A light cannot stand higher over its aim than it is away from it. */
const STEEPEST = 0.98;

export const minus = (a: Place, b: Place): Place => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const lengthM = ({ x, y, z }: Place): number => Math.hypot(x, y, z);
const dot = (a: Place, b: Place): number => a.x * b.x + a.y * b.y + a.z * b.z;

/** The angle between two directions, degrees; 0 where one of them has no length. */
export function angleDeg(a: Place, b: Place): number {
  const lengths = lengthM(a) * lengthM(b);
  return lengths === 0 ? 0 : Math.acos(Math.min(1, Math.max(-1, dot(a, b) / lengths))) / RADIANS;
}

/** The place of a light around what it aims at. A height that the distance does not reach is held to what it does. */
export function lightPlace(aim: Place, { distanceM, sideDeg, heightM }: LightStand): Place {
  const y = Math.min(STEEPEST * distanceM, Math.max(-STEEPEST * distanceM, heightM));
  const across = Math.sqrt(distanceM ** 2 - y ** 2);
  return {
    x: aim.x + across * Math.sin(sideDeg * RADIANS),
    y: aim.y + y,
    z: aim.z + across * Math.cos(sideDeg * RADIANS),
  };
}

/** A direction by its angle from the line to the camera and its rise, degrees. */
export const direction = (sideDeg: number, riseDeg = 0): Place => ({
  x: Math.sin(sideDeg * RADIANS) * Math.cos(riseDeg * RADIANS),
  y: Math.sin(riseDeg * RADIANS),
  z: Math.cos(sideDeg * RADIANS) * Math.cos(riseDeg * RADIANS),
});

/** A direction turned in plan, degrees, positive from the camera line to the camera's right. */
export function turned({ x, y, z }: Place, byDeg: number): Place {
  const [sin, cos] = [Math.sin(byDeg * RADIANS), Math.cos(byDeg * RADIANS)];
  return { x: x * cos + z * sin, y, z: z * cos - x * sin };
}

/** A place as seen from another: how far, to which side of the line to the camera, and how much higher. */
export function standOf(place: Place, from: Place): LightStand {
  const to = minus(place, from);
  return { distanceM: lengthM(to), sideDeg: Math.atan2(to.x, to.z) / RADIANS, heightM: to.y };
}

/** An angle as −180 up to 180 degrees. */
export const wrapDeg = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** A place that is lit, and where it faces. */
export interface LitPlace {
  at: Place;
  faces: Place;
  /** light from further aside than this is shaded by the body; none: the dome sees all round */
  shadedFromDeg?: number;
}
