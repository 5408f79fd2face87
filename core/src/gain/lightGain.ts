import { flashAv, unitGuideNumberM } from '../flash';
import { type Kit, lampLuxAt1M } from '../gear';
import { type Beam, beamLossStops, effectiveDistanceM } from '../modifiers';
import { addLight, ev100FromLux } from '../photometry';
import { angleDeg, lengthM, lightPlace, minus, type Place, turned } from '../scene';
import type { PlacedLamp, Setup } from '../setup';
import type { LightConfig } from './lightConfig';
import { mirrorOf, receivedOfParts, sentOfBeam, type Standing, through } from './panels';
import { asideOf, type Receiver, responseAt } from './receiver';
import { aimPlace, type FlashStand, lightAxis } from './stand';

/** Less than this of what a light gives straight on is nothing, stops. */
const NOTHING_STOPS = -12;
/** Where a light aims it is always asked for its power: what a turned head leaves of it is at least this, stops. */
const LEAST_AT_AIM_STOPS = -7;

/** A light as it stands: where from, where to, and what it gives straight on at a place that it has no aim at yet. */
interface StandingLight {
  from: Place;
  axis: Place;
  beam: Beam;
  /** light on a card that faces it at a distance on its axis, stops */
  onAxis: (distanceM: number) => number;
}

const straightOn = ({ from, axis, beam, onAxis }: StandingLight, at: Place): number => {
  const to = minus(at, from);
  return onAxis(Math.max(0.05, lengthM(to))) - beamLossStops(beam, angleDeg(axis, to));
};

const opened = (panels: readonly Standing[], from: Place, to: Place): number =>
  Math.log2(Math.max(2 ** -10, through(panels, from, to)));

/**
 * What a light gives a receiver: straight, past flags and through diffusers, as the receiver answers light from there,
 * and thrown by each panel that it falls on. null for as good as nothing.
 */
function levelAt(
  light: StandingLight,
  receiver: Receiver,
  panels: readonly Standing[],
  leastStops: number,
): number | null {
  const { from } = light;
  const straight = straightOn(light, receiver.at);
  const response = Math.max(Math.log2(responseAt(receiver, asideOf(receiver, from))), leastStops);
  const ways = [straight + response + opened(panels, from, receiver.at)];
  for (const one of panels) {
    if (mirrorOf(one, receiver.at) === null) continue;
    const others = panels.filter((other) => other !== one);
    const linear = receivedOfParts(one, receiver, (part) => {
      const { at } = part.flat;
      const sent = sentOfBeam(part, minus(from, at), receiver.at);
      const onIt = straightOn(light, at) + opened(others, from, at) + opened(others, at, receiver.at);
      return sent * 2 ** (onIt - straight);
    });
    if (linear > 0) ways.push(straight + Math.log2(linear));
  }
  const some = ways.filter((stops) => stops > straight + NOTHING_STOPS);
  return some.length === 0 ? null : addLight(...some);
}

/**
 * The light of a flash alone at a receiver, by its stated values: aperture value at full power and ISO 100. The guide
 * number by the inverse square with the modifier's size, the beam off its axis, the receiver's answer, and panels.
 * @param syncLossStops what high-speed sync takes
 * @returns null where as good as nothing arrives; where it aims there is always something
 */
export function flashAt(
  stand: FlashStand,
  { unit, modifier, beam, lossStops }: LightConfig,
  syncLossStops: number,
  receiver: Receiver,
  setup: Setup,
  panels: readonly Standing[],
): number | null {
  const aim = aimPlace(setup, stand.aimPointId);
  const from = lightPlace(aim, stand);
  const atAim = lengthM(minus(receiver.at, aim)) < 1e-6;
  const light: StandingLight = {
    from,
    axis: lightAxis(from, aim, stand.featherDeg),
    beam,
    onAxis: (distanceM) =>
      flashAv(
        {
          guideNumberM: unitGuideNumberM(unit),
          effectiveDistanceM: effectiveDistanceM(modifier.shape, distanceM),
          lossStops: lossStops + syncLossStops,
        },
        0,
        0,
      ),
  };
  return levelAt(light, receiver, panels, atAim ? LEAST_AT_AIM_STOPS : -Infinity);
}

/** The light of a lamp at a receiver by its stated values, EV100 as a dome facing it would read; null for nothing. */
export function lampAt(
  placed: PlacedLamp,
  kit: Kit,
  receiver: Receiver,
  setup: Setup,
  panels: readonly Standing[],
): number | null {
  const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
  if (lamp === undefined) return null;
  const aim = aimPlace(setup, placed.pointId);
  const from = lightPlace(aim, placed);
  const light: StandingLight = {
    from,
    axis: turned(minus(aim, from), placed.offAxisDeg),
    beam: lamp.beam,
    onAxis: (distanceM) => ev100FromLux((lampLuxAt1M(lamp) / distanceM ** 2) * 2 ** placed.dimStops, 'dome'),
  };
  return levelAt(light, receiver, panels, -Infinity);
}
