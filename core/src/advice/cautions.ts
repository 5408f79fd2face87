import type { Balance } from '../balance';
import type { SpotFact, Surroundings } from '../documents';
import { chargeShareAt, type FlashUnit } from '../flash';
import { panelSize, throwsSunAtEyes } from '../gain';
import { type Kit, offered } from '../gear';
import type { UsableLight } from '../lights';
import type { Modifier } from '../modifiers';
import { ballastKg } from '../scene';
import type { Setup } from '../setup';

type Stand = Kit['stands'][number];

/** Nearer than this a full flash is unpleasant to open eyes. */
const NEAR_EYES_M = 1;
/** A face of this area catches enough wind to tip a stand. */
const WINDY_AREA_M2 = 0.2;
/** Over this, no bag makes it safe. */
const TOO_HEAVY_KG = 30;
/** A bare head and its bracket catch about this much wind. */
const HEAD_AREA_M2 = 0.02;

/** More than this nobody carries in bags for one light. */
const HANDY_KG = 10;
/** Colder than this, batteries give so much less that it is told. */
const COLD_C = 8;

function areaM2Of(shape: Modifier['shape']): number {
  if (shape.kind === 'round') return (Math.PI / 4) * shape.diameterM ** 2;
  return shape.kind === 'rectangle' ? shape.widthM * shape.heightM : HEAD_AREA_M2;
}

/** Gusts, and who says so. */
interface Gusts {
  gustMps: number;
  foretold: boolean;
}

/** A caution about the safety of people and gear, with its figures. */
export type Caution =
  | { kind: 'stand-too-short'; lightId: string; standName: string; highestM: number; heightM: number }
  | ({ kind: 'stand-unnamed'; lightId: string } & Gusts)
  | ({
      kind: 'ballast' | 'too-heavy';
      lightId: string;
      kg: number;
      /** a smaller modifier of the kit that bags hold; null: none is needed, or there is none */
      smaller: { name: string; kg: number } | null;
    } & Gusts)
  | ({ kind: 'panel-ballast' | 'panel-too-heavy'; panelId: string; kg: number } & Gusts)
  | { kind: 'boom'; lightId: string; boomM: number }
  | { kind: 'wheels'; lightId: string }
  | { kind: 'rain'; rainMmH: number }
  | { kind: 'cold-batteries'; temperatureC: number; share: number }
  | { kind: 'sail' | 'near-eyes' | 'sun-thrown' | 'hot-gels' | 'always' };

/** Every kind of caution. */
export const CAUTION_KINDS = [
  'stand-too-short',
  'stand-unnamed',
  'ballast',
  'too-heavy',
  'panel-ballast',
  'panel-too-heavy',
  'boom',
  'wheels',
  'rain',
  'cold-batteries',
  'sail',
  'near-eyes',
  'sun-thrown',
  'hot-gels',
  'always',
] as const satisfies readonly Caution['kind'][];

/** The gusts that count: as somebody said, else as they are foretold; null: none, or nobody knows. */
function gustsOf({ gustMps }: Setup, { weather }: Surroundings): Gusts | null {
  if (gustMps !== null) return gustMps === 0 ? null : { gustMps, foretold: false };
  return weather === null || weather.gustMps < 1 ? null : { gustMps: weather.gustMps, foretold: true };
}

/** The largest modifier of the kit, smaller than one, that a few bags hold on its stand. */
function smallerOne(areaM2: number, kit: Kit, kgOf: (areaM2: number) => number): { name: string; kg: number } | null {
  const standing = offered(kit.modifiers)
    .map(({ name, shape }) => ({ name, areaM2: areaM2Of(shape) }))
    .filter((one) => one.areaM2 < areaM2 && kgOf(one.areaM2) <= HANDY_KG)
    .sort((a, b) => b.areaM2 - a.areaM2);
  const [largest] = standing;
  return largest === undefined ? null : { name: largest.name, kg: kgOf(largest.areaM2) };
}

/** Wind against one light: the ballast that a gust asks for on its stand. */
function windCaution(one: UsableLight, stand: Stand | undefined, heightM: number, gusts: Gusts, kit: Kit): Caution {
  const lightId = one.light.id;
  if (stand === undefined) return { kind: 'stand-unnamed', lightId, ...gusts };
  const kgOf = (areaM2: number) => ballastKg(areaM2, heightM, gusts.gustMps, stand.footRadiusM);
  const areaM2 = areaM2Of(one.config.modifier.shape);
  const kg = kgOf(areaM2);
  const smaller = kg > HANDY_KG ? smallerOne(areaM2, kit, kgOf) : null;
  return { kind: kg > TOO_HEAVY_KG ? 'too-heavy' : 'ballast', lightId, kg, smaller, ...gusts };
}

/** The stand of one light: how high it goes, its boom and wheels, and the wind. */
function standCautions(one: UsableLight, setup: Setup, kit: Kit, around: Surroundings): Caution[] {
  const { light } = one;
  const lightId = light.id;
  const stand = kit.stands.find(({ id }) => id === light.standId);
  const heightM = Math.max(0.3, setup.stage.subject.eyesM + light.heightM);
  const gusts = gustsOf(setup, around);
  const cautions: Caution[] = [];
  if (stand !== undefined && heightM > stand.highestM)
    cautions.push({ kind: 'stand-too-short', lightId, standName: stand.name, highestM: stand.highestM, heightM });
  if (stand !== undefined && stand.boomM !== null) cautions.push({ kind: 'boom', lightId, boomM: stand.boomM });
  if (stand?.wheels === true && around.facts.some((fact) => ROLLING.includes(fact)))
    cautions.push({ kind: 'wheels', lightId });
  return gusts === null ? cautions : [...cautions, windCaution(one, stand, heightM, gusts, kit)];
}

/** Where wheels roll away or sink. */
const ROLLING: readonly SpotFact[] = ['slope', 'soft-ground'];

/** Panels on stands in the wind: they are sails like any other. */
function panelCautions(setup: Setup, kit: Kit, around: Surroundings): Caution[] {
  const gusts = gustsOf(setup, around);
  if (gusts === null) return [];
  return setup.panels.flatMap((panel): Caution[] => {
    const stand = kit.stands.find(({ id }) => id === panel.standId);
    if (stand === undefined) return [];
    const { widthM, tallM, round } = panelSize(panel, kit);
    const areaM2 = widthM * tallM * (round ? Math.PI / 4 : 1);
    const heightM = Math.max(0.3, setup.stage.subject.eyesM + panel.heightM);
    const kg = ballastKg(areaM2, heightM, gusts.gustMps, stand.footRadiusM);
    return [{ kind: kg > TOO_HEAVY_KG ? 'panel-too-heavy' : 'panel-ballast', panelId: panel.id, kg, ...gusts }];
  });
}

/** What rain and cold do to gear that runs on electricity. */
function weatherCautions(
  { weather }: Surroundings,
  units: readonly Pick<FlashUnit, 'popsFull' | 'coldShare'>[],
): Caution[] {
  if (weather === null) return [];
  const { rainMmH, temperatureC } = weather;
  const shares = units
    .filter(({ popsFull }) => popsFull !== null)
    .map(({ coldShare }) => chargeShareAt(coldShare, temperatureC));
  return [
    ...(rainMmH > 0 ? [{ kind: 'rain' as const, rainMmH }] : []),
    ...(temperatureC < COLD_C && shares.length > 0
      ? [{ kind: 'cold-batteries' as const, temperatureC, share: Math.min(...shares) }]
      : []),
  ];
}

/** The usual cautions that apply to this setup; local codes, venue rules and licensed practice come first. */
export function cautionsFor({ usable }: Balance, setup: Setup, kit: Kit, around: Surroundings): Caution[] {
  const panels = panelCautions(setup, kit, around);
  const thrown: Caution[] = throwsSunAtEyes(setup, kit) ? [{ kind: 'sun-thrown' }] : [];
  if (usable.length === 0) return [...panels, ...thrown];
  const cautions = usable.flatMap((one) => standCautions(one, setup, kit, around));
  const isSail = ({ config }: UsableLight) => areaM2Of(config.modifier.shape) >= WINDY_AREA_M2;
  if (setup.gustMps === null && gustsOf(setup, around) === null && usable.some(isSail)) cautions.push({ kind: 'sail' });
  if (usable.some(({ light }) => light.distanceM < NEAR_EYES_M)) cautions.push({ kind: 'near-eyes' });
  if (usable.some(({ config }) => config.gels.length > 0)) cautions.push({ kind: 'hot-gels' });
  const units = usable.map(({ config }) => config.unit);
  return [...cautions, ...panels, ...thrown, ...weatherCautions(around, units), { kind: 'always' }];
}
