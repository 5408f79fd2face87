export type { NextAction, Step } from './action';
export { lightToAdd } from './addLight';
export { cautionsFor } from './cautions';
export { diagnose, type Symptom, SYMPTOMS } from './cures';
export { meteringOrder, nextAction } from './nextAction';
export type { NotHelping, WayOut } from './wayOut';
export { cheaperSettings, waysOut } from './waysOut';
