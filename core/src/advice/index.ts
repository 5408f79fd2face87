export type { ActionFacts, LampFacts, NextAction, Step } from './action';
export { lightToAdd } from './addLight';
export { type Caution, cautionsFor } from './cautions';
export { diagnose } from './cures';
export { meteringOrder, type Next, nextAction } from './nextAction';
export type { CheaperSetting, NotHelping, Way, WayOut, WayPrice } from './wayOut';
export { cheaperSettings, waysOut } from './waysOut';
export {
  type Cure,
  type CureKind,
  type Finding,
  screenMisleads,
  type Symptom,
  SYMPTOMS,
  type Takes,
  takesOf,
  type TriedLook,
} from './symptom';
