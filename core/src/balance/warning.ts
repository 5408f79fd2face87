import type { MissingGear } from '../gain';
import type { MeteringWarning } from '../metering';
import type { Motion } from '../setup';

/** Something that the picture will suffer from, with its figures. */
export type Warning =
  | MeteringWarning
  | { kind: 'not-in-kit'; what: MissingGear | 'camera' | 'lens' | 'filter' }
  | { kind: 'clipped' | 'lost'; pointId: string }
  /** the ambient lies over the face's place by so much */
  | { kind: 'no-flash-can-help'; overStops: number }
  | { kind: 'depth-missing'; neededAv: number; smallestAv: number }
  | { kind: 'slowest-over-sync' }
  | { kind: 'dark-band'; share: number; shutterText: string; lateRadio: boolean }
  | { kind: 'tail-cut'; unitName: string; powerText: string | null; shutterText: string | null; lossStops: number }
  /** two lights answer the same radio call, though each has a power of its own */
  | { kind: 'same-radio'; lightId: string; otherId: string; channel: number }
  /** two bodies and one trigger: flash fires for one of them only */
  | { kind: 'one-trigger' }
  | { kind: 'high-speed-sync-missing'; unitName: string }
  /** people move more than the shutter holds: what is not flash smears, so much of the face */
  | { kind: 'smear'; shutterText: string; limitText: string; motion: Motion; share: number }
  | { kind: 'span'; lightestId: string; darkestId: string; spanStops: number; holdsStops: number }
  | { kind: 'headroom'; pointId: string; headroomStops: number; darkenStops: number }
  | { kind: 'face-contrast'; contrastStops: number; wantedStops: number };

/** Every kind of warning. */
export const WARNING_KINDS = [
  'one-source',
  'fooled',
  'not-in-kit',
  'clipped',
  'lost',
  'no-flash-can-help',
  'depth-missing',
  'slowest-over-sync',
  'dark-band',
  'tail-cut',
  'same-radio',
  'one-trigger',
  'high-speed-sync-missing',
  'smear',
  'span',
  'headroom',
  'face-contrast',
] as const satisfies readonly Warning['kind'][];
