/** The luminous face of a modifier. A point stands for a bare head that is small against its distance. */
export type SourceShape =
  { kind: 'point' } | { kind: 'round'; diameterM: number } | { kind: 'rectangle'; widthM: number; heightM: number };

/**
 * Configuration factor from a small surface to a rectangle that faces it, centred on its axis (0 to 1).
 * Source: view-factor catalogues, differential element to parallel rectangle at a corner, four times the quarter.
 */
export function rectangleConfigurationFactor(widthM: number, heightM: number, distanceM: number): number {
  const x = widthM / 2 / distanceM;
  const y = heightM / 2 / distanceM;
  const rx = Math.hypot(1, x);
  const ry = Math.hypot(1, y);
  return (2 / Math.PI) * ((x / rx) * Math.atan(y / rx) + (y / ry) * Math.atan(x / ry));
}

/**
 * The distance at which a point source of the same far-field strength would give the same light.
 * Round Lambertian source: `E ∝ 1/(d² + R²)`, so `√(d² + R²)`. Rectangle: from the exact configuration factor,
 * `d_eff² = area / (π·F)`, which tends to d far away.
 */
export function effectiveDistanceM(shape: SourceShape, distanceM: number): number {
  switch (shape.kind) {
    case 'point':
      return distanceM;
    case 'round':
      return Math.hypot(distanceM, shape.diameterM / 2);
    case 'rectangle': {
      const factor = rectangleConfigurationFactor(shape.widthM, shape.heightM, distanceM);
      return Math.sqrt((shape.widthM * shape.heightM) / (Math.PI * factor));
    }
  }
}

/** How many stops less light arrives at the farther of two points on the axis. */
export const falloffStops = (shape: SourceShape, nearM: number, farM: number): number =>
  2 * Math.log2(effectiveDistanceM(shape, farM) / effectiveDistanceM(shape, nearM));

/**
 * The distance that changes the light by this many stops (positive: brighter, so nearer).
 * Found by halving, since light falls steadily with distance.
 * @returns metres between `leastM` and `mostM`, or `undefined` when the change lies outside them
 */
export function distanceForChange(
  shape: SourceShape,
  distanceM: number,
  changeStops: number,
  leastM = 0.3,
  mostM = 30,
): number | undefined {
  const gain = (m: number) => -falloffStops(shape, distanceM, m);
  let near = leastM;
  let far = mostM;
  if (gain(near) < changeStops || gain(far) > changeStops) return undefined;
  for (let i = 0; i < 60; i += 1) {
    const middle = (near + far) / 2;
    if (gain(middle) > changeStops) near = middle;
    else far = middle;
  }
  return (near + far) / 2;
}

/** Apparent diameter of a source from the subject in degrees, `2·atan(D/2d)`: the measure of softness. */
export function apparentSizeDeg(shape: SourceShape, distanceM: number): number {
  const widthM =
    shape.kind === 'point' ? 0 : shape.kind === 'round' ? shape.diameterM : Math.sqrt(shape.widthM * shape.heightM);
  return (2 * Math.atan(widthM / 2 / distanceM) * 180) / Math.PI;
}
