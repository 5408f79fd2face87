import type { Balance } from '../balance';
import { throwsSunAtEyes } from '../gain';
import type { Kit } from '../gear';
import type { UsableLight } from '../lights';
import { ballastKg } from '../scene';
import type { Setup } from '../setup';

/** Nearer than this a full flash is unpleasant to open eyes. */
const NEAR_EYES_M = 1;
/** A face of this area catches enough wind to tip a stand. */
const WINDY_AREA_M2 = 0.2;
/** Over this, no bag makes it safe. */
const TOO_HEAVY_KG = 30;
/** A bare head and its bracket catch about this much wind. */
const HEAD_AREA_M2 = 0.02;

const areaM2Of = ({
  config: {
    modifier: { shape },
  },
}: UsableLight): number =>
  shape.kind === 'round'
    ? (Math.PI / 4) * shape.diameterM ** 2
    : shape.kind === 'rectangle'
      ? shape.widthM * shape.heightM
      : HEAD_AREA_M2;

/** A caution about the safety of people and gear, with its figures. */
export type Caution =
  | { kind: 'stand-too-short'; lightId: string; standName: string; highestM: number; heightM: number }
  | { kind: 'stand-unnamed'; lightId: string; gustMps: number }
  | { kind: 'ballast' | 'too-heavy'; lightId: string; gustMps: number; kg: number }
  | { kind: 'sail' | 'near-eyes' | 'sun-thrown' | 'hot-gels' | 'always' };

/** Every kind of caution. */
export const CAUTION_KINDS = [
  'stand-too-short',
  'stand-unnamed',
  'ballast',
  'too-heavy',
  'sail',
  'near-eyes',
  'sun-thrown',
  'hot-gels',
  'always',
] as const satisfies readonly Caution['kind'][];

/** Stand and wind of one light: how high it stands, and the ballast that a gust asks for. */
function standCautions(one: UsableLight, { gustMps, stage }: Setup, kit: Kit): Caution[] {
  const { light } = one;
  const lightId = light.id;
  const stand = kit.stands.find(({ id }) => id === light.standId);
  const heightM = Math.max(0.3, stage.subject.eyesM + light.heightM);
  const cautions: Caution[] = [];
  if (stand !== undefined && heightM > stand.highestM)
    cautions.push({ kind: 'stand-too-short', lightId, standName: stand.name, highestM: stand.highestM, heightM });
  if (gustMps === null || gustMps === 0) return cautions;
  if (stand === undefined) return [...cautions, { kind: 'stand-unnamed', lightId, gustMps }];
  const kg = ballastKg(areaM2Of(one), heightM, gustMps, stand.footRadiusM);
  return [...cautions, { kind: kg > TOO_HEAVY_KG ? 'too-heavy' : 'ballast', lightId, gustMps, kg }];
}

/** The usual cautions that apply to this setup; local codes, venue rules and licensed practice come first. */
export function cautionsFor({ usable }: Balance, setup: Setup, kit: Kit): Caution[] {
  const thrown: Caution[] = throwsSunAtEyes(setup, kit) ? [{ kind: 'sun-thrown' }] : [];
  if (usable.length === 0) return thrown;
  const cautions = usable.flatMap((one) => standCautions(one, setup, kit));
  if (setup.gustMps === null && usable.some((one) => areaM2Of(one) >= WINDY_AREA_M2)) cautions.push({ kind: 'sail' });
  if (usable.some(({ light }) => light.distanceM < NEAR_EYES_M)) cautions.push({ kind: 'near-eyes' });
  if (usable.some(({ config }) => config.gels.length > 0)) cautions.push({ kind: 'hot-gels' });
  return [...cautions, ...thrown, { kind: 'always' }];
}
