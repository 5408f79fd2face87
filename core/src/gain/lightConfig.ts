import { learnedId, unitPartId } from '../calibration';
import { BELIEFS, type Made, type Quirk } from '../estimate';
import { type Gel, gelLossStops } from '../colour';
import { type FlashUnit, lowestPowerStops, unitUncertaintyStops, zoomGainStops } from '../flash';
import type { Kit } from '../gear';
import { BARE_REFLECTOR, type Beam, type Front, type Grid, griddedBeam } from '../modifiers';
import { lightPlace } from '../scene';
import type { FiredLight, Light, ReadingMethod, Setup } from '../setup';
import { asideOf, heldAs, receiverOf } from './receiver';
import { aimPlace } from './stand';

/** What a light is made of, whether it stands in a setup or was fired for a reading. */
export type LightParts = Pick<Light & FiredLight, 'unitId' | 'outlet' | 'zoomMm' | 'modifierId' | 'gridId' | 'gelIds'>;

/** The gear of a light, looked up in the kit, with what it costs. */
export interface LightConfig {
  unit: FlashUnit;
  modifier: Front;
  grid: Grid | null;
  gels: Gel[];
  beam: Beam;
  /** everything between the stated guide number and the light on its axis, stops */
  lossStops: number;
  /** what readings of it teach about: the unit first */
  things: Made[];
  /** how it strays at an end of its dial and in high-speed sync: by power and by what the sync is stated to take */
  quirks: (powerStops: number, syncLossStops: number) => Quirk[];
}

/** Diagonal of the frame that focal lengths are stated for, mm. */
const FRAME_DIAGONAL_MM = 43.3;

/** The beam of a bare head zoomed to a focal length: it just covers the frame. */
const zoomedBeam = (zoomMm: number): Beam => ({
  kind: 'cone',
  fullDeg: Math.max(5, (2 * Math.atan(FRAME_DIAGONAL_MM / 2 / zoomMm) * 180) / Math.PI),
});

/** What a light names and the kit does not have any more. */
export type MissingGear = 'flash' | 'modifier' | 'grid' | 'gel';

/**
 * Looks a light's gear up.
 * @param missing takes the kind of a thing that has left the kit
 * @returns null when unit, modifier or grid are not there any more
 */
// eslint-disable-next-line complexity -- each part of the gear may be missing
export function lightConfig(
  kit: Kit,
  parts: LightParts,
  missing: (what: MissingGear) => void = () => undefined,
): LightConfig | null {
  const find = <T extends { id: string }>(things: readonly T[], id: string | null, what: MissingGear): T | null => {
    const found = things.find((thing) => thing.id === id) ?? null;
    if (found === null && id !== null) missing(what);
    return found;
  };
  const unit = find(kit.flashUnits, parts.unitId, 'flash');
  const modifier = find(kit.modifiers, parts.modifierId, 'modifier');
  const grid = find(kit.grids, parts.gridId, 'grid');
  const gels = parts.gelIds.flatMap((id) => find(kit.gels, id, 'gel') ?? []);
  if (unit === null || (modifier === null && parts.modifierId !== null) || (grid === null && parts.gridId !== null))
    return null;
  const statedZoomMm = unit.output.by === 'guideNumber' ? unit.output.zoomMm : null;
  const zoomed = modifier === null && statedZoomMm !== null && parts.zoomMm !== null;
  const share = parts.outlet === null ? 1 : (unit.outlets[parts.outlet]?.share ?? 1);
  const front = modifier ?? BARE_REFLECTOR;
  return {
    unit,
    modifier: front,
    grid,
    gels,
    beam: griddedBeam(
      modifier === null && statedZoomMm !== null ? zoomedBeam(parts.zoomMm ?? statedZoomMm) : front.beam,
      grid,
    ),
    lossStops:
      front.lossStops +
      (grid?.lossStops ?? 0) +
      gelLossStops(gels) -
      Math.log2(share) -
      (zoomed ? zoomGainStops(statedZoomMm, parts.zoomMm ?? statedZoomMm) : 0),
    things: [
      { id: learnedId('unit', parts.unitId), sdStops: unitUncertaintyStops(unit) },
      ...(parts.modifierId === null
        ? []
        : [{ id: learnedId('modifier', parts.modifierId), sdStops: BELIEFS.modifier }]),
      ...(parts.gridId === null ? [] : [{ id: learnedId('grid', parts.gridId), sdStops: BELIEFS.grid }]),
      ...parts.gelIds.map((id) => ({ id: learnedId('gel', id), sdStops: BELIEFS.gel })),
    ],
    quirks: (powerStops, syncLossStops) => quirksOf(unit, parts.unitId, powerStops, syncLossStops),
  };
}

/** Within this of the least that its dial gives, a unit may stray more, stops. */
const LOW_END_STOPS = 2;

function quirksOf(unit: FlashUnit, unitId: string, powerStops: number, syncLossStops: number): Quirk[] {
  const name = learnedId('unit', unitId);
  const intoLowEnd = lowestPowerStops(unit.scale) + LOW_END_STOPS - powerStops;
  return [
    ...(intoLowEnd > 0 ? [{ id: unitPartId('low', name), sdStops: BELIEFS.lowEnd, factor: intoLowEnd }] : []),
    ...(syncLossStops > 0 ? [{ id: unitPartId('sync', name), sdStops: BELIEFS.syncLoss, factor: 1 }] : []),
  ];
}

/** True when two lights are made of the same unit, outlet, modifier and grid: what one gave, the other gives. */
export const sameSource = (a: LightParts, b: LightParts): boolean =>
  a.unitId === b.unitId && a.outlet === b.outlet && a.modifierId === b.modifierId && a.gridId === b.gridId;

/**
 * A light as it is written down with a reading: with its stand, and the angle at which the receptor saw it.
 * @param method how the reading is taken
 */
export function firedAs(
  setup: Setup,
  light: Light,
  powerStops: number,
  pointId: string,
  highSpeedSyncLossStops: number,
  method: ReadingMethod,
): FiredLight {
  const from = lightPlace(aimPlace(setup, light.aimPointId), light);
  const point = setup.points.find(({ id }) => id === pointId);
  const receiver = point === undefined ? null : receiverOf(point, setup);
  return {
    lightId: light.id,
    unitId: light.unitId,
    outlet: light.outlet,
    zoomMm: light.zoomMm,
    modifierId: light.modifierId,
    gridId: light.gridId,
    gelIds: light.gelIds,
    atAim: pointId === light.aimPointId,
    distanceM: light.distanceM,
    placeSaid: light.placeSaid,
    sideDeg: light.sideDeg,
    heightM: light.heightM,
    featherDeg: light.featherDeg,
    asideDeg: receiver === null ? null : asideOf(heldAs(receiver, method, from), from),
    powerStops,
    highSpeedSyncLossStops,
  };
}
