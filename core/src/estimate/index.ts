export { type Beliefs, BELIEFS, type Sky } from './beliefs';
export { type Cause, type CauseKind, causes, type Common, COMMON } from './causes';
export { type Estimate, estimate } from './estimate';
export type { Evening, Event, Fired, Held, Learned, Made, Quirk, Source, SourceThere, Taken, Wanted } from './evening';
export type { Estimated, Evidence, Fit } from './fit';
export { dialOf } from './model';
export { judged, type Telling, telling } from './telling';
