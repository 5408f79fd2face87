import { sunStand } from '../gain';
import type { LevelAhead, MeteredScene } from '../metering';
import { addLight } from '../photometry';
import type { MeteringPoint, PlacedLamp, Setup } from '../setup';

/** Street lamps and shop windows come on when about 50 lux are left. Source: usual photocells; the table of twilight. */
const LIT_BELOW_DEG = -3;
const MINUTE_MS = 60_000;

/** Lamps that are dark yet and come on by themselves. */
export const waitingLamps = ({ lamps }: Pick<Setup, 'lamps'>): PlacedLamp[] =>
  lamps.filter(({ fromDusk, on }) => fromDusk && !on);

/** Whether it is so dark at a moment that they burn; false where the sun is not known. */
export function isDusk({ stage: { sun } }: Pick<Setup, 'stage'>, ms: number): boolean {
  if (sun?.by !== 'time') return false;
  const stands = sunStand({ sun: { ...sun, at: new Date(ms).toISOString() } });
  return stands !== null && stands.altitudeDeg < LIT_BELOW_DEG;
}

/** A level to come with the lamps that will have come on by then, each as it is stated or was read. */
export function withDuskLamps(
  at: (minutes: number) => LevelAhead,
  setup: Setup,
  { light }: MeteredScene,
  point: MeteringPoint,
  fromMs: number,
): (minutes: number) => LevelAhead {
  const lit = waitingLamps(setup).flatMap((lamp) => light.lampAt({ ...lamp, on: true }, point)?.alone ?? []);
  if (lit.length === 0) return at;
  return (minutes) => {
    const before = at(minutes);
    if (!isDusk(setup, fromMs + minutes * MINUTE_MS)) return before;
    const ev100 = addLight(before.ev100, ...lit.map(({ stops }) => stops));
    const parts = [{ stops: before.ev100, sdStops: before.sdStops }, ...lit];
    const variance = parts.reduce((sum, part) => sum + (2 ** (part.stops - ev100) * part.sdStops) ** 2, 0);
    return { ev100, sdStops: Math.sqrt(variance) };
  };
}
