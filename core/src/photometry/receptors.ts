/**
 * How the heads of an incident meter answer a distant source at an angle from their axis. Source: the cardioid and
 * cosine characteristics of ISO 2720. Angles in degrees, 0 is straight ahead; results are shares of the head-on answer.
 */
const cosDeg = (angleDeg: number): number => {
  const turned = Math.abs(angleDeg) % 360;
  // exact at the quarters, where binary π leaves dust
  if (turned === 90 || turned === 270) return 0;
  return Math.cos((turned * Math.PI) / 180);
};

/** The dome: `(1 + cos θ)/2`. A source from the side counts half, one from behind nothing. */
export const domeResponse = (angleDeg: number): number => (1 + cosDeg(angleDeg)) / 2;

/** The flat disc: `cos θ`, and nothing from behind its plane. */
export const discResponse = (angleDeg: number): number => Math.max(0, cosDeg(angleDeg));
