import { z } from 'zod';

import { fault } from '../photometry';

/** How the light of a source falls off beside its axis. */
export const beamSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('diffuse') }).meta({ description: 'a lit cloth: falls with the cosine' }),
  z
    .strictObject({ kind: z.literal('cone'), fullDeg: z.number().min(2).max(180) })
    .meta({ description: 'reflector or grid: half the light at half of this angle' }),
  z
    .strictObject({
      kind: z.literal('table'),
      anglesDeg: z.array(z.number().min(0).max(180)).min(2).max(181),
      relative: z.array(z.number().min(0).max(100)).min(2).max(181),
    })
    .refine(({ anglesDeg, relative }) => anglesDeg.length === relative.length, {
      path: ['relative'],
      message: fault('figure-an-angle'),
    })
    .refine(
      ({ anglesDeg }) => anglesDeg.every((angle, index) => index === 0 || angle > (anglesDeg[index - 1] ?? angle)),
      { path: ['anglesDeg'], message: fault('angles-rise') },
    )
    .refine(({ relative }) => (relative[0] ?? 0) > 0, { path: ['relative', 0], message: fault('no-light-on-axis') })
    .meta({ description: 'measured: intensity by the angle from the axis' }),
]);
export type Beam = z.infer<typeof beamSchema>;

/** Beside a beam there is always a little stray light. */
const LEAST_SHARE = 2 ** -10;

/** The share of the intensity on the axis that leaves at an angle from it, 0 to 1 (a table may exceed 1). */
export function beamShare(beam: Beam, offAxisDeg: number): number {
  const angle = Math.abs(offAxisDeg);
  switch (beam.kind) {
    case 'diffuse':
      return Math.max(0, Math.cos((angle * Math.PI) / 180));
    // half at half of the full angle, smooth in between; nothing goes backwards
    case 'cone':
      return angle >= 90 ? 0 : 2 ** -(((2 * angle) / beam.fullDeg) ** 2);
    case 'table': {
      const { anglesDeg, relative } = beam;
      const last = anglesDeg.length - 1;
      if (angle > (anglesDeg[last] ?? 0)) return 0;
      const above = Math.max(
        1,
        anglesDeg.findIndex((one) => one >= angle),
      );
      const [a, b] = [anglesDeg[above - 1] ?? 0, anglesDeg[above] ?? 180];
      const part = Math.min(1, Math.max(0, (angle - a) / (b - a)));
      return ((relative[above - 1] ?? 0) * (1 - part) + (relative[above] ?? 0) * part) / (relative[0] ?? 1);
    }
  }
}

/** What is lost beside the axis, stops; never more than stray light leaves. */
export const beamLossStops = (beam: Beam, offAxisDeg: number): number =>
  -Math.log2(Math.max(LEAST_SHARE, beamShare(beam, offAxisDeg)));

/** A grid in the kit: it narrows the beam and takes light. */
export const gridSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  angleDeg: z.number().min(2).max(120),
  lossStops: z.number().min(0).max(6),
});
export type Grid = z.infer<typeof gridSchema>;

/** The narrower of a modifier's own beam and a grid before it. */
export const griddedBeam = (beam: Beam, grid: Grid | null): Beam =>
  grid === null || (beam.kind === 'cone' && beam.fullDeg <= grid.angleDeg)
    ? beam
    : { kind: 'cone', fullDeg: grid.angleDeg };
