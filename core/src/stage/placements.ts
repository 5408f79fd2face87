import { sunStand } from '../ambient';
import type { Kit } from '../gear';
import { formatDistance } from '../notation';
import { wrapDeg } from '../scene';
import { changedPanel, type Light, lightPath, type LightRole, type Panel, type Setting, type Setup } from '../setup';

/** A starting place for a light, in one tap. */
export interface Placement {
  id: string;
  title: string;
  because: string;
  settings: Setting[];
}

type Stand = Pick<Light, 'distanceM' | 'sideDeg' | 'heightM'> & Partial<Pick<Light, 'featherDeg'>>;

const wholeDeg = (degrees: number): number => Math.round(wrapDeg(degrees));

/** Placements by role: title, reason, and where; sources: usual placements of portrait lighting. @param side the side that the light is on now, −1 or 1 */
function stands(
  role: LightRole,
  setup: Setup,
  side: number,
): { id: string; title: string; because: string; stand: Stand }[] {
  const { turnDeg } = setup.stage.subject;
  const sun = sunStand(setup.stage);
  const key = setup.lights.find((light) => light.role === 'key');
  const keySide = (key?.sideDeg ?? 40) < 0 ? -1 : 1;
  const from = (noseDeg: number) => wholeDeg(turnDeg + noseDeg);
  switch (role) {
    case 'key':
      return [
        {
          id: 'loop',
          title: 'Loop',
          because: 'Forty degrees aside, a hand over the eyes: the nose shadow points down and to the side.',
          stand: { distanceM: 1.4, sideDeg: from(40 * side), heightM: 0.45 },
        },
        {
          id: 'triangle',
          title: 'Triangle on the cheek',
          because: "Fifty degrees aside and higher: the nose shadow meets the cheek's.",
          stand: { distanceM: 1.5, sideDeg: from(50 * side), heightM: 0.75 },
        },
        {
          id: 'butterfly',
          title: 'From above the camera',
          because: 'On the nose line and high: a shadow right under the nose; cheekbones show.',
          stand: { distanceM: 1.4, sideDeg: from(0), heightM: 0.75 },
        },
        {
          id: 'split',
          title: 'Half the face',
          because: 'Square to the nose line: one half lit, one dark.',
          stand: { distanceM: 1.6, sideDeg: from(90 * side), heightM: 0.15 },
        },
        {
          id: 'near',
          title: 'Large and near',
          because: 'As close as the frame allows: the softest light, and a background that falls away.',
          stand: { distanceM: 0.9, sideDeg: from(40 * side), heightM: 0.4 },
        },
        {
          id: 'axis',
          title: 'Near the camera, hard',
          because: 'Beside the lens: a controlled hard light, hardly any shadow at the side.',
          stand: {
            distanceM: Math.max(1, Math.min(6, setup.stage.cameraM)),
            sideDeg: wholeDeg(10 * side),
            heightM: 0.4,
          },
        },
        ...(sun === null || Math.abs(sun.sideDeg) < 90
          ? []
          : [
              {
                id: 'oppositeSun',
                title: 'Opposite the sun',
                because: 'The sun rims one side, the key opens the other.',
                stand: { distanceM: 1.5, sideDeg: wholeDeg(sun.sideDeg + 180), heightM: 0.45 },
              },
            ]),
        ...(sun === null || Math.abs(sun.sideDeg) > 120
          ? []
          : [
              {
                id: 'withSun',
                title: "From the ambient's own side",
                because: 'It wraps round what is there: no crossed shadows.',
                stand: { distanceM: 1.5, sideDeg: wholeDeg(sun.sideDeg), heightM: 0.45 },
              },
            ]),
      ];
    case 'fill':
      return [
        {
          id: 'onAxis',
          title: 'On the camera axis',
          because: 'It draws no second nose shadow.',
          stand: { distanceM: Math.max(1.2, Math.min(4, setup.stage.cameraM)), sideDeg: 0, heightM: 0.2 },
        },
        {
          id: 'below',
          title: 'Under the key',
          because: "From below the chin: opens sockets and the brim's shade, two catch lights.",
          stand: { distanceM: 1.1, sideDeg: from(10 * keySide), heightM: -0.6 },
        },
      ];
    case 'rim':
      return [
        {
          id: 'farSide',
          title: 'Behind the far side',
          because: 'Opposite the key, past 110° from the camera: hair and shoulder, not the nose.',
          stand: { distanceM: 1.8, sideDeg: wholeDeg(-145 * keySide), heightM: 0.6 },
        },
        {
          id: 'hair',
          title: 'High behind',
          because: 'Straight behind and high: hair only. Keep it out of the frame.',
          stand: { distanceM: 2.2, sideDeg: 180, heightM: 1.4 },
        },
        ...(sun === null
          ? []
          : [
              {
                id: 'asSun',
                title: "In the sun's place",
                because: 'Where the sun is or was: it carries its rim on.',
                stand: {
                  distanceM: 3,
                  sideDeg: wholeDeg(sun.sideDeg),
                  heightM: Number(
                    (3 * Math.sin((Math.max(5, Math.min(50, sun.altitudeDeg)) * Math.PI) / 180)).toFixed(2),
                  ),
                },
              },
            ]),
      ];
    case 'background':
      return [
        {
          id: 'aside',
          title: 'From the side',
          because: 'A gradient across the background.',
          stand: { distanceM: 1.5, sideDeg: 55 * side, heightM: 0.3 },
        },
        {
          id: 'low',
          title: 'Low behind the subject',
          because: 'A glow that rises behind the shoulders.',
          stand: { distanceM: 1.2, sideDeg: 0, heightM: -0.9 },
        },
      ];
    case 'motivated':
      return [
        {
          id: 'lowSun',
          title: 'As the low sun',
          because: 'Far and small: hard, parallel, even across the scene.',
          stand: { distanceM: 6, sideDeg: from(75 * side), heightM: 1.2 },
        },
        {
          id: 'lamp',
          title: 'As a lamp in the picture',
          because: "Near and small at the lamp's height, from the lamp's side.",
          stand: { distanceM: 1.2, sideDeg: from(100 * side), heightM: -0.1 },
        },
      ];
  }
}

/** Starting placements for a light of a setup. */
export function placementsFor(setup: Setup, kit: Kit, index: number): Placement[] {
  const light = setup.lights[index];
  if (light === undefined) return [];
  const unit = kit.preferences.distanceUnit;
  const to = (stand: Stand): Setting[] =>
    (Object.keys(stand) as (keyof Stand)[]).map((field) => ({
      path: lightPath(index, field),
      value: stand[field] ?? 0,
    }));
  return [
    ...stands(light.role, setup, light.sideDeg < 0 ? -1 : 1).map(({ id, title, because, stand }) => ({
      id,
      title,
      because: `${because} ${formatDistance(stand.distanceM, unit)}.`,
      settings: to({ ...stand, featherDeg: 0 }),
    })),
    {
      id: 'otherSide',
      title: 'The same from the other side',
      because: 'Mirrored at the nose line.',
      settings: to({
        distanceM: light.distanceM,
        heightM: light.heightM,
        sideDeg: wholeDeg(2 * setup.stage.subject.turnDeg - light.sideDeg),
        featherDeg: -light.featherDeg,
      }),
    },
  ];
}

/**
 * The whole stage mirrored: lights, lamps, panels and the turn of the face.
 * @param now the moment, for panels that readings have seen  @param newestReadingAt the newest ambient reading; null for none
 */
export function mirroredStage(setup: Setup, now: string, newestReadingAt: string | null): Setting[] {
  const flip = (value: number) => (value === 0 || Math.abs(value) === 180 ? value : -value);
  const panel = (one: Panel): Panel =>
    changedPanel(one, { sideDeg: flip(one.sideDeg), turnedDeg: flip(one.turnedDeg) }, now, newestReadingAt);
  return [
    ...setup.lights.flatMap((light, index): Setting[] => [
      { path: lightPath(index, 'sideDeg'), value: flip(light.sideDeg) },
      ...(light.featherDeg === 0 ? [] : [{ path: lightPath(index, 'featherDeg'), value: -light.featherDeg }]),
    ]),
    ...(setup.lamps.length === 0
      ? []
      : [{ path: 'lamps' as const, value: setup.lamps.map((lamp) => ({ ...lamp, sideDeg: flip(lamp.sideDeg) })) }]),
    ...(setup.panels.length === 0 ? [] : [{ path: 'panels' as const, value: setup.panels.map(panel) }]),
    { path: 'stage.subject.turnDeg', value: flip(setup.stage.subject.turnDeg) },
  ];
}

const PACE_M = 0.75;
const HAND_M = 0.1;

/** A distance for a helper without a tape: paces of 75 cm, hand-breadths of 10 cm when it is short. */
export function sayPaces(distanceM: number): string {
  const hands = Math.round(distanceM / HAND_M);
  if (distanceM < PACE_M) return hands === 1 ? '1 hand-breadth' : `${hands} hand-breadths`;
  const halves = Math.round((distanceM / PACE_M) * 2) / 2;
  return halves === 1 ? '1 pace' : `${Number.isInteger(halves) ? halves : `${Math.floor(halves)}½`} paces`;
}
