import { proxy, type Remote, wrap } from 'comlink';

import type { Place } from '@sphene/core/frames';
import type { FrameApi, FrameProgress, FrameResult, Taken } from './frame.worker';

export type { FrameProgress, FrameResult, Taken };

let running: { worker: Worker; api: Remote<FrameApi> } | null = null;

function frameApi(): Remote<FrameApi> {
  if (running === null) {
    const worker = new Worker(new URL('./frame.worker', import.meta.url));
    running = { worker, api: wrap<FrameApi>(worker) };
  }
  return running.api;
}

/** Opens a picture in the worker. */
export const readFrame = (file: Blob, tell: (progress: FrameProgress) => void): Promise<FrameResult> =>
  frameApi().read(file, proxy(tell));

/** Where a place of a kept frame lies against mid grey. */
export const placeInFrame = (image: string, x: number, y: number): Promise<Place | null> =>
  frameApi().place(image, x, y);

/** When and by which camera a file was made. */
export const frameTaken = (file: Blob): Promise<Taken> => frameApi().taken(file);

/** What a code in a photograph says; null where none is found. */
export const codeInFrame = (file: Blob): Promise<string | null> => frameApi().code(file);

/** Stops whatever the worker is doing; the next call starts a new one. */
export function stopFrames(): void {
  running?.worker.terminate();
  running = null;
}
