export { type Beliefs, BELIEFS, type Sky } from './beliefs';
export { type Cause, type CauseKind, causes, type Common, COMMON } from './causes';
export {
  dialOf,
  type Estimate,
  estimate,
  type Evening,
  type Event,
  type Fired,
  type Held,
  type Learned,
  type Made,
  type Quirk,
  type Source,
  type SourceThere,
  type Taken,
  type Wanted,
} from './evening';
export type { Estimated, Evidence, Fit } from './fit';
export { judged, type Telling, telling } from './telling';
