import { camera1 } from './migrations/camera1';
import { camera2 } from './migrations/camera2';
import { change1 } from './migrations/change1';
import { change2 } from './migrations/change2';
import { change3 } from './migrations/change3';
import { change4 } from './migrations/change4';
import { change5 } from './migrations/change5';
import { change6 } from './migrations/change6';
import { change7 } from './migrations/change7';
import { filter1 } from './migrations/filter1';
import { filter2 } from './migrations/filter2';
import { flashUnit1 } from './migrations/flashUnit1';
import { flashUnit2 } from './migrations/flashUnit2';
import { flashUnit3 } from './migrations/flashUnit3';
import { frame1 } from './migrations/frame1';
import { frame2 } from './migrations/frame2';
import { lamp1 } from './migrations/lamp1';
import { lamp2 } from './migrations/lamp2';
import { lens1 } from './migrations/lens1';
import { look1 } from './migrations/look1';
import { modifier1 } from './migrations/modifier1';
import { preferences1 } from './migrations/preferences1';
import { preferences2 } from './migrations/preferences2';
import { preferences3 } from './migrations/preferences3';
import { preferences4 } from './migrations/preferences4';
import { reading1 } from './migrations/reading1';
import { reading2 } from './migrations/reading2';
import { reading3 } from './migrations/reading3';
import { reading4 } from './migrations/reading4';
import { reading5 } from './migrations/reading5';
import { sceneChange1 } from './migrations/sceneChange1';
import { sceneChange2 } from './migrations/sceneChange2';
import { setup1 } from './migrations/setup1';
import { setup2 } from './migrations/setup2';
import { setup3 } from './migrations/setup3';
import { setup4 } from './migrations/setup4';
import { setup5 } from './migrations/setup5';
import { setup6 } from './migrations/setup6';
import { setup7 } from './migrations/setup7';
import { setup8 } from './migrations/setup8';
import { setup9 } from './migrations/setup9';
import { setup10 } from './migrations/setup10';
import { spot1 } from './migrations/spot1';
import { spot2 } from './migrations/spot2';
import { stand1 } from './migrations/stand1';
import type { IsRaw, Raw, Step } from './migrations/step';

const isRaw: IsRaw = (value): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

/** By type and version: how a document of that version becomes the next. */
const STEPS: Record<string, Step> = {
  'camera 1': camera1,
  'camera 2': camera2,
  'change 1': change1,
  'change 2': change2,
  'change 3': change3,
  'change 4': change4,
  'change 5': change5,
  'change 6': change6,
  'change 7': change7,
  'filter 1': filter1,
  'filter 2': filter2,
  'flashUnit 1': flashUnit1,
  'flashUnit 2': flashUnit2,
  'flashUnit 3': flashUnit3,
  'frame 1': frame1,
  'frame 2': frame2,
  'lamp 1': lamp1,
  'lamp 2': lamp2,
  'lens 1': lens1,
  'look 1': look1,
  'modifier 1': modifier1,
  'preferences 1': preferences1,
  'preferences 2': preferences2,
  'preferences 3': preferences3,
  'preferences 4': preferences4,
  'reading 1': reading1,
  'reading 2': reading2,
  'reading 3': reading3,
  'reading 4': reading4,
  'reading 5': reading5,
  'sceneChange 1': sceneChange1,
  'sceneChange 2': sceneChange2,
  'setup 1': setup1,
  'setup 2': setup2,
  'setup 3': setup3,
  'setup 4': setup4,
  'setup 5': setup5,
  'setup 6': setup6,
  'setup 7': setup7,
  'setup 8': setup8,
  'setup 9': setup9,
  'setup 10': setup10,
  'spot 1': spot1,
  'spot 2': spot2,
  'stand 1': stand1,
};

/** The types that have had another shape before; what a database looks through once. */
export const MIGRATED_TYPES = [...new Set(Object.keys(STEPS).map((step) => step.split(' ')[0] ?? ''))];

/**
 * A document of any earlier version as one of the present version; anything else comes back as it is, for the
 * schema to judge.
 */
export function migrateDocument(document: unknown): unknown {
  let current = document;
  for (;;) {
    const step = isRaw(current) ? STEPS[`${String(current['type'])} ${String(current['version'])}`] : undefined;
    if (step === undefined || !isRaw(current)) return current;
    current = step(current, isRaw);
  }
}
