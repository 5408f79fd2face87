/** Air, kg/m³; gravity, m/s²; drag of a flat panel; and how much more than just enough is wanted. */
const AIR_KG_M3 = 1.225;
const GRAVITY = 9.81;
const DRAG = 1.2;
const SAFETY = 1.5;

/**
 * The weight that keeps a stand from tipping in a gust, kilograms: `m ≥ 1.5 · ½ρv²·Cd·A·h / (g·r)`.
 * The usual estimate, not an engineering approval.
 * @param areaM2 face of the modifier  @param heightM its centre over the ground  @param gustMps gust, metres a second
 * @param footRadiusM from the middle of the stand to its feet
 */
export const ballastKg = (areaM2: number, heightM: number, gustMps: number, footRadiusM: number): number =>
  (SAFETY * 0.5 * AIR_KG_M3 * gustMps ** 2 * DRAG * areaM2 * heightM) / (GRAVITY * footRadiusM);
