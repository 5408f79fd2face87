import { words } from '@/language/words';
import { selectKit } from '@/setupView/selectSolution';
import { selectChanges, selectDocument, selectFacts } from '@/store/selectors';
import type { RootState } from '@/store/store';
import { strToU8, zipSync } from 'fflate';

import { type FrameSidecar, readXmp, writeXmp, type XmpFault } from '@sphene/core/exchange';
import { setupAsAt } from '@sphene/core/explain';
import { lookPictureOf } from '@sphene/core/looks';
import { frameLit } from '@sphene/core/sheets';
import { solveNumbers } from '@sphene/core/solution';
import type { PlacedFrame } from './useRolls';

/** How one frame was made; null where its setup is not there. */
function sidecarOf(state: RootState, frame: PlacedFrame): FrameSidecar | null {
  const setup = selectDocument(state, 'setup', frame.setupId ?? '');
  const spot = setup && selectDocument(state, 'spot', setup.spotId);
  const shoot = setup && selectDocument(state, 'shoot', setup.shootId);
  if (setup === undefined || spot === undefined || shoot === undefined) return null;
  const kit = selectKit(state, setup.id);
  const then = setupAsAt(setup, selectChanges(state, setup.id), frame.atMs);
  const facts = selectFacts(state, setup.id).filter(({ at }) => Date.parse(at) <= frame.atMs);
  const { numbers } = solveNumbers(then, kit, facts, new Date(frame.atMs));
  const { stands } = then.camera;
  return {
    frame: frame.name,
    at: new Date(frame.atMs).toISOString(),
    shoot: shoot.title,
    spot: spot.title,
    setup: setup.title,
    setupId: setup.id,
    camera: stands === null ? null : { av: stands.av, tv: stands.tv, sv: stands.sv },
    whiteBalanceK: numbers.colour.whiteBalance.kelvin,
    lights: frameLit(then, kit, words).lights,
    look: lookPictureOf(then, kit, numbers),
  };
}

/** Sidecars of frames as one archive, named as the frames; null where none of them belongs to a setup. */
export function sidecarArchive(state: RootState, frames: readonly PlacedFrame[]): Uint8Array | null {
  const files = frames.flatMap((frame): [string, Uint8Array][] => {
    const sidecar = sidecarOf(state, frame);
    return sidecar === null ? [] : [[`${frame.name.replace(/\.[^.]*$/, '')}.xmp`, strToU8(writeXmp(sidecar))]];
  });
  return files.length === 0 ? null : zipSync(Object.fromEntries(files));
}

/** What was read from sidecars, and what was wrong with the others. */
export interface ReadSidecars {
  sidecars: FrameSidecar[];
  faults: { name: string; fault: XmpFault }[];
}

export async function readSidecars(files: readonly File[]): Promise<ReadSidecars> {
  const read: ReadSidecars = { sidecars: [], faults: [] };
  for (const file of files) {
    const one = readXmp(file.size > 1_000_000 ? 'x'.repeat(1_000_000) : await file.text());
    if (one.ok) read.sidecars.push(one.value);
    else read.faults.push({ name: file.name, fault: one.reason });
  }
  return read;
}
