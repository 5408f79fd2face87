import { FLASH_COLOUR, gelled, miredOf } from '../colour';
import { depthNow, sharpZoneM } from '../exposure';
import { lightConfig, panelFlat } from '../gain';
import type { Kit } from '../gear';
import { apparentSizeDeg } from '../modifiers';
import {
  LOOK_PANELS,
  type LookFigures,
  type LookLamp,
  type LookLight,
  type LookPanel,
  type LookPicture,
  type LookTarget,
} from '../record';
import { wrapDeg } from '../scene';
import { HOLD_BACK_RANGE, type Light, LIGHT_ROLE_FACTS, LOOK_RANGES, type MeteringPoint, type Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import { halfBeamDeg } from '../stage';

const DEGREES = 180 / Math.PI;

const roleOf = (points: readonly MeteringPoint[], pointId: string) => points.find(({ id }) => id === pointId)?.role;

/** A light as a relation; null where its gear or its aim is gone. */
function lookLight(setup: Setup, kit: Kit, light: Light): LookLight | null {
  const config = lightConfig(kit, light);
  const aims = roleOf(setup.points, light.aimPointId);
  if (config === null || aims === undefined) return null;
  const { distanceM, heightM, sideDeg } = light;
  const { onPeople } = LIGHT_ROLE_FACTS[light.role];
  const isShaped = config.grid !== null || config.beam.kind === 'cone';
  return {
    role: light.role,
    standsFor: light.standsFor,
    aims,
    noseDeg: wrapDeg(onPeople ? sideDeg - setup.stage.subject.turnDeg : sideDeg),
    riseDeg: riseOf(heightM, distanceM),
    featherDeg: light.featherDeg,
    sizeDeg: apparentSizeDeg(config.modifier.shape, distanceM),
    distanceM,
    halfBeamDeg: isShaped ? halfBeamDeg(config.beam) : null,
    gelMired: miredOf(gelled(FLASH_COLOUR, config.gels).kelvin) - miredOf(FLASH_COLOUR.kelvin),
  };
}

const riseOf = (heightM: number, distanceM: number): number =>
  Math.asin(Math.max(-1, Math.min(1, heightM / distanceM))) * DEGREES;

/** Lamps that do something in the picture; those that only burn there belong to the place. */
function lookLamps(setup: Setup, numbers: SolutionNumbers): LookLamp[] {
  const face = setup.points.find(({ role }) => role === 'face');
  const ambient = setup.colour.ambient.find(({ pointId }) => pointId === face?.id);
  return setup.lamps.flatMap((lamp): LookLamp[] => {
    const aims = roleOf(setup.points, lamp.pointId);
    if (lamp.role === null || !lamp.on || aims === undefined) return [];
    return [
      {
        role: lamp.role,
        standsFor: lamp.standsFor,
        aims,
        noseDeg: wrapDeg(lamp.sideDeg - setup.stage.subject.turnDeg),
        riseDeg: riseOf(lamp.heightM, lamp.distanceM),
        distanceM: lamp.distanceM,
        overAmbientStops: numbers.lamps.find(({ id }) => id === lamp.id)?.overAmbientStops ?? null,
        ambientMired: ambient === undefined ? null : miredOf(lamp.kelvin) - miredOf(ambient.kelvin),
      },
    ];
  });
}

/** Panels that were brought along. */
const lookPanels = (setup: Setup, kit: Kit): LookPanel[] =>
  setup.panels.flatMap((panel): LookPanel[] => {
    const kind = LOOK_PANELS.find((one) => one === panel.kind);
    if (kind === undefined) return [];
    const { widthM, tallM } = panelFlat(panel, kit);
    return [
      {
        kind,
        surface: panel.surface,
        noseDeg: wrapDeg(panel.sideDeg - setup.stage.subject.turnDeg),
        riseDeg: riseOf(panel.heightM, panel.distanceM),
        sizeDeg: 2 * Math.atan(Math.max(widthM, tallM) / 2 / panel.distanceM) * DEGREES,
        distanceM: panel.distanceM,
        turnedDeg: panel.turnedDeg,
        takesStops: panel.takesStops,
      },
    ];
  });

/** Depth of what is sharp at the settings that were found, metres; null without a lens, or where it reaches to infinity. */
function depthOf(setup: Setup, kit: Kit, { camera }: SolutionNumbers): number | null {
  const body = kit.cameras.find(({ id }) => id === setup.camera.cameraId);
  const lens = kit.lenses.find(({ id }) => id === setup.camera.lensId) ?? null;
  const depth = body === undefined ? null : depthNow(setup, body, lens);
  if (depth === null || camera === null) return null;
  const { nearM, farM } = sharpZoneM(camera.av, depth.focusM, depth.focalMm, depth.circleMm);
  return farM === null ? null : farM - nearM;
}

/** The relations that a solved setup has; null: not there, or not known. */
function figuresOf(setup: Setup, kit: Kit, numbers: SolutionNumbers): LookFigures {
  const at = (role: MeteringPoint['role']) => numbers.points.find((point) => point.role === role);
  const [face, background] = [at('face'), at('background')];
  const heldBack = (point: typeof face) =>
    point?.totalStops == null || point.ambientStops === null ? null : point.totalStops - point.ambientStops;
  const holdBackStops = heldBack(face);
  const ambient = setup.colour.ambient.find(({ pointId }) => pointId === face?.pointId);
  const over = (kelvin: number) => (ambient === undefined ? null : miredOf(kelvin) - miredOf(ambient.kelvin));
  const key = setup.lights.find(({ role }) => role === 'key');
  const keyConfig = key === undefined ? null : lightConfig(kit, key);
  return {
    faceStops: face?.totalStops ?? null,
    holdBackStops,
    flashShare: holdBackStops === null ? null : 1 - 2 ** -holdBackStops,
    backgroundStops: background?.placedStops ?? null,
    backgroundHoldBackStops: heldBack(background),
    faceRatioStops: numbers.ratios.face?.stops ?? null,
    keyOverFillStops: numbers.ratios.keyOverFillStops,
    rimOverKeyStops: numbers.ratios.rimOverKeyStops,
    depthM: depthOf(setup, kit, numbers),
    keyOverAmbientMired: keyConfig === null ? null : over(gelled(FLASH_COLOUR, keyConfig.gels).kelvin),
    whiteBalanceMired: over(numbers.colour.whiteBalance.kelvin),
  };
}

/** Which side the key comes from, against where most of the ambient does. */
function keySideOf(setup: Setup, { stage }: SolutionNumbers): LookPicture['keySide'] {
  const key = [...setup.lights, ...setup.lamps].find(({ role }) => role === 'key');
  if (key === undefined || key.sideDeg === 0 || stage.openSide === null) return null;
  const side = key.sideDeg > 0 ? 'right' : 'left';
  return side === stage.openSide.side ? 'ambient' : 'other';
}

/** Targets by what kind of point they are for. */
const targetsOf = ({ look, points }: Setup): LookTarget[] =>
  look.targets.flatMap(({ pointId, ...target }) => {
    const role = roleOf(points, pointId);
    return role === undefined ? [] : [{ ...target, role }];
  });

/** A wish that came out like this is taken as it was wished; else what it came to is what worked. */
const AS_WISHED_STOPS = 1 / 6;
const cameTo = (wished: number, came: number | null, { least, most }: { least: number; most: number }): number =>
  came === null || Math.abs(came - wished) <= AS_WISHED_STOPS ? wished : Math.min(most, Math.max(least, came));

/** The wishes as they came out where limits or the light did not let them be met. */
function wishAsItCame({ look }: Setup, figures: LookFigures) {
  const { targets: _, highlightPointId: __, ...wish } = look;
  const face = figures.faceStops === null ? null : figures.faceStops - look.feelStops;
  return {
    ...wish,
    holdBackStops: cameTo(wish.holdBackStops, figures.holdBackStops, HOLD_BACK_RANGE),
    faceStops: cameTo(wish.faceStops, face, LOOK_RANGES.face),
    backgroundStops:
      look.exposeBy === 'background'
        ? cameTo(wish.backgroundStops, figures.backgroundStops, LOOK_RANGES.background)
        : wish.backgroundStops,
  };
}

/**
 * What makes the picture of a setup, as relations: wishes, lights against face and ambient, and what it comes to. No gear, no
 * power, no settings of this place.
 */
export function lookPictureOf(setup: Setup, kit: Kit, numbers: SolutionNumbers): LookPicture {
  const figures = figuresOf(setup, kit, numbers);
  return {
    wish: { ...wishAsItCame(setup, figures), targets: targetsOf(setup) },
    wantedAv: numbers.camera?.av ?? setup.camera.wantedAv,
    colour: { relation: setup.colour.relation, warmerMired: setup.colour.warmerMired },
    keySide: keySideOf(setup, numbers),
    lights: setup.lights.flatMap((light) => lookLight(setup, kit, light) ?? []),
    lamps: lookLamps(setup, numbers),
    panels: lookPanels(setup, kit),
    figures,
  };
}
