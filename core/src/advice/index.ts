export type { ActionFacts, LampFacts, NextAction, Step } from './action';
export { lightToAdd } from './addLight';
export { type Caution, cautionsFor } from './cautions';
export { screenMisleads, type Takes, takesOf } from './takes';
export { type Cure, type CureKind, diagnose, type Finding, type Symptom, SYMPTOMS, type TriedLook } from './cures';
export { meteringOrder, type Next, nextAction } from './nextAction';
export type { CheaperSetting, NotHelping, Way, WayOut, WayPrice } from './wayOut';
export { cheaperSettings, waysOut } from './waysOut';
