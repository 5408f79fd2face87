import type { Balance } from './balance';

/** Nearer than this a full flash is unpleasant to open eyes. */
const NEAR_EYES_M = 1;
/** A face of this area catches enough wind to tip a stand. */
const WINDY_AREA_M2 = 0.2;

/** The usual cautions that apply to this setup; local codes, venue rules and licensed practice come first. */
export function cautionsFor({ light }: Balance): string[] {
  if (light === null) return [];
  const cautions: string[] = [];
  const shape = light.modifier?.shape ?? { kind: 'point' as const };
  const areaM2 = shape.kind === 'round' ? (Math.PI / 4) * shape.diameterM ** 2 : shape.kind === 'rectangle' ? shape.widthM * shape.heightM : 0;
  if (areaM2 >= WINDY_AREA_M2) cautions.push('Outdoors this modifier is a sail: weight on the tallest leg, or a hand on the stand; take it down when it gusts.');
  if (light.light.distanceM < NEAR_EYES_M) cautions.push('Close to the eyes: ask for closed eyes until the frame. Never near the eyes of infants or drivers.');
  cautions.push('Warn guests before flashing. Keep mains out of the wet. Local codes and venue rules come first.');
  return cautions;
}
