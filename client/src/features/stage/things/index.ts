import { backgroundThing, cameraThing } from './camera';
import { lampThings } from './lamps';
import { lightThings } from './lights';
import { panelThings } from './panels';
import { othersThing, subjectThing } from './people';
import { sunThing } from './sun';
import type { StageFacts, Thing } from './thing';

export { UNSAID_BACKGROUND_M } from './camera';
export { isOpening, panelSettings } from './panels';
export { sayOthers } from './people';
export { sunAt } from './sun';
export type { StageFacts, Thing } from './thing';

/** Everything that can be moved, in the order in which the keyboard goes through it. */
export const stageThings = (facts: StageFacts): Thing[] => [
  ...lightThings(facts),
  ...panelThings(facts),
  ...lampThings(facts),
  subjectThing(facts),
  ...othersThing(facts),
  cameraThing(facts),
  backgroundThing(facts),
  ...sunThing(facts),
];
