import type { Balance } from '../balance';
import type { Kit } from '../gear';
import type { UsableLight } from '../lights';
import { ballastKg } from '../scene';
import type { Setup } from '../setup';
import { lightName } from '../words';

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

/** Stand and wind of one light: how high it stands, and the ballast that a gust asks for. */
function standCautions(one: UsableLight, { gustMps, stage }: Setup, kit: Kit): string[] {
  const { light } = one;
  const name = lightName(light);
  const stand = kit.stands.find(({ id }) => id === light.standId);
  const heightM = Math.max(0.3, stage.subject.eyesM + light.heightM);
  const cautions: string[] = [];
  if (stand !== undefined && heightM > stand.highestM)
    cautions.push(
      `${name}: ${stand.name} ends at ${stand.highestM.toFixed(1)} m, ${heightM.toFixed(1)} m are asked for.`,
    );
  if (gustMps === null || gustMps === 0) return cautions;
  if (stand === undefined)
    return [...cautions, `${name}: name its stand to know the ballast for gusts of ${gustMps.toFixed(0)} m/s.`];
  const kg = ballastKg(areaM2Of(one), heightM, gustMps, stand.footRadiusM);
  cautions.push(
    kg > TOO_HEAVY_KG
      ? `${name}: gusts of ${gustMps.toFixed(0)} m/s would ask for ${Math.ceil(kg)} kg. Hold it by hand low down, or take the modifier off.`
      : `${name}: at least ${Math.ceil(kg)} kg over the tallest leg for gusts of ${gustMps.toFixed(0)} m/s. An estimate: watch the stand.`,
  );
  return cautions;
}

/** The usual cautions that apply to this setup; local codes, venue rules and licensed practice come first. */
export function cautionsFor({ usable }: Balance, setup: Setup, kit: Kit): string[] {
  if (usable.length === 0) return [];
  const cautions = usable.flatMap((one) => standCautions(one, setup, kit));
  if (setup.gustMps === null && usable.some((one) => areaM2Of(one) >= WINDY_AREA_M2))
    cautions.push(
      'Outdoors this modifier is a sail: weight on the tallest leg, or a hand on the stand; take it down when it gusts.',
    );
  if (usable.some(({ light }) => light.distanceM < NEAR_EYES_M))
    cautions.push('Close to the eyes: ask for closed eyes until the frame. Never near the eyes of infants or drivers.');
  if (usable.some(({ config }) => config.gels.length > 0)) cautions.push('Gels and cloth off hot modelling lamps.');
  cautions.push('Warn guests before flashing. Keep mains out of the wet. Local codes and venue rules come first.');
  return cautions;
}
