export { type ChargedSetup, chargeOfDay, type ChargeOfLight, type ChargeOfSetup, frameIn, frameNumber } from './charge';
export {
  dayPlan,
  type LatePlan,
  type PlanEntry,
  type PlannedSetup,
  type Stretch,
  whenLate,
  windowsOf,
} from './dayPlan';
export {
  CLEARANCE_M,
  EYES_M,
  learnOutline,
  type ShadeEdge,
  shadeEdges,
  type SpotPlan,
  type SpotSun,
  spotSun,
  type SunInFrame,
  sunInFrame,
  sunOutline,
} from './spotSun';
export {
  type HeldThing,
  type Holder,
  type PackedKind,
  type PackedSetup,
  type PackedThing,
  packingList,
  type PackingList,
  type ToPack,
} from './packing';
