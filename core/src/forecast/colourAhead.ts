import { type Balance, colourSolution, solveLamps } from '../balance';
import { KELVIN_RANGE, miredOf, shiftedKelvin } from '../colour';
import { isIndoors, sunStand } from '../gain';
import type { Kit } from '../gear';
import type { MeteredScene } from '../metering';
import type { Setup } from '../setup';
import { skyColour } from '../sky';

/** The colour of the light that is there at a minute to come, and what it asks for. */
export interface ColourStep {
  minute: number;
  atMs: number;
  /** the light on the face */
  kelvin: number;
  sdMired: number;
  /** nobody has said the colour here: it is that of a clear sky */
  assumed: boolean;
  /** to set on the camera */
  whiteBalanceK: number;
  /** gels to put on, by light; empty: what is on stays right */
  gels: { lightId: string; gelNames: string[] }[];
}

const MINUTE_MS = 60_000;
const EVERY_MINUTES = 10;
/** A change of white balance or of the light under this is not seen, mired. */
const SEEN_MIRED = 15;

/**
 * How the colour of the sky goes on with the sun's height: the table gives the change, what was said of it here the level. A
 * row for each moment from which a white balance or a gel is another one.
 * @returns empty where the sun is not known, in rooms, and where nothing becomes another
 */
export function colourAhead(
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  now: Balance,
  from: { ms: number; minutes: number },
): ColourStep[] {
  const face = setup.points.find(({ role }) => role === 'face');
  const said = setup.colour.ambient.find(({ pointId }) => pointId === face?.id) ?? setup.colour.ambient[0] ?? null;
  const { sun } = setup.stage;
  if (face === undefined || sun?.by !== 'time' || isIndoors(setup)) return [];
  const light = face.standsIn === 'shade' ? 'shade' : 'sun';
  const colourAt = (minute: number) => {
    const at = new Date(from.ms + minute * MINUTE_MS).toISOString();
    return skyColour(sunStand({ sun: { ...sun, at } })?.altitudeDeg ?? 0, light);
  };
  const start = colourAt(0);
  const lamps = solveLamps(setup, kit, scene, now, null);
  const stepAt = (minute: number): ColourStep => {
    const then = colourAt(minute);
    const kelvin = shiftedKelvin((said ?? start).kelvin, miredOf(then.kelvin) - miredOf(start.kelvin));
    const ahead: Setup['colour']['ambient'][number] = {
      ...(said ?? { pointId: face.id, greenCc: 0, from: 'daylight' }),
      kelvin: Math.round(kelvin),
    };
    const ambient = [ahead, ...setup.colour.ambient.filter((one) => one !== said)];
    const there: Setup = { ...setup, colour: { ...setup.colour, ambient } };
    const { whiteBalance, advice } = colourSolution(there, kit, now.usable, now.lights, now.points, lamps);
    return {
      minute,
      atMs: from.ms + minute * MINUTE_MS,
      kelvin: Math.min(KELVIN_RANGE.most, kelvin),
      sdMired: said === null ? then.sdMired : changeSdMired(then.sdMired, minute),
      assumed: said === null,
      whiteBalanceK: whiteBalance.kelvin,
      gels: advice.map(({ lightId, gelNames }) => ({ lightId, gelNames })),
    };
  };
  const steps: ColourStep[] = [];
  for (let minute = 0; minute <= from.minutes; minute += EVERY_MINUTES) {
    const step = stepAt(minute);
    const last = steps.at(-1);
    if (last === undefined || isAnother(last, step)) steps.push(step);
  }
  return steps.length > 1 ? steps : [];
}

/** What was said is the colour of today's sky: only how it changes is in doubt, and more the further it is ahead. */
const changeSdMired = (sdMired: number, minute: number): number => (sdMired * minute) / (minute + 2 * EVERY_MINUTES);

function isAnother(before: ColourStep, after: ColourStep): boolean {
  const moved = (a: number, b: number) => Math.abs(miredOf(a) - miredOf(b)) > SEEN_MIRED;
  const gelled = ({ gels }: ColourStep) => gels.map(({ lightId, gelNames }) => `${lightId} ${gelNames.join()}`).join();
  return moved(before.whiteBalanceK, after.whiteBalanceK) || gelled(before) !== gelled(after);
}
