import { texts } from './texts';
import { useActions } from '@/store/application';
import { codeInFrame, frameTaken } from '@/workers/frameWorker';
import { msOfLocal } from '@/shell/localDay';
import { useRef, useState } from 'react';

import { type CameraRoll, MOST_FRAMES, type RollFrame } from '@sphene/core/record';
import { momentOfCode } from './clockCode';
import { formatOffset } from './offset';

export type Said = { text: string; wrong: boolean };
const done = (text: string): Said => ({ text, wrong: false });
const wrong = (text: string): Said => ({ text, wrong: true });

/** Reads names and times of pictures into the rolls of a shoot, and a camera's offset from a photograph of the clock page. */
export function useTakeRoll(shootId: string, rolls: readonly CameraRoll[], timeZone: string) {
  const actions = useActions();
  const [said, setSaid] = useState<Said | null>(null);
  const [progress, setProgress] = useState<{ done: number; all: number } | null>(null);
  const stopped = useRef(false);
  const rollOf = (camera: string) => rolls.find((roll) => roll.camera === camera);

  const take = async (files: readonly File[]) => {
    setSaid(null);
    stopped.current = false;
    const byCamera = new Map<string, Map<string, RollFrame>>();
    let without = 0;
    for (const [index, file] of files.entries()) {
      if (index % 10 === 0) setProgress({ done: index, all: files.length });
      const { at, camera } = await frameTaken(file);
      if (stopped.current) {
        setProgress(null);
        return setSaid(done(texts.stopped));
      }
      const name = file.name.slice(0, 40);
      if (at === null) without += 1;
      else {
        // what is chosen again replaces itself
        const kept = byCamera.get(camera) ?? new Map(rollOf(camera)?.frames.map((frame) => [frame.name, frame]) ?? []);
        byCamera.set(camera, kept.set(name, { name, at }));
      }
    }
    setProgress(null);
    if (byCamera.size === 0) return setSaid(wrong(texts.noTimes));
    if ([...byCamera.values()].some(({ size }) => size > MOST_FRAMES))
      return setSaid(wrong(texts.tooMany(MOST_FRAMES)));
    for (const [camera, frames] of byCamera) actions.setRoll(shootId, camera, { frames: [...frames.values()] });
    setSaid(done(texts.taken(files.length - without, without)));
  };

  const byPhotograph = async (roll: CameraRoll, file: File) => {
    setSaid(null);
    const [text, { at, camera }] = [await codeInFrame(file), await frameTaken(file)];
    const toldMs = text === null ? null : momentOfCode(text);
    if (toldMs === null) return setSaid(wrong(texts.noCode));
    const ownMs = at === null ? null : msOfLocal(at, timeZone);
    if (ownMs === null) return setSaid(wrong(texts.noTimeInPicture));
    if (camera !== roll.camera) return setSaid(wrong(texts.otherCamera(camera === '' ? texts.someCamera : camera)));
    const offsetS = Number(((ownMs - toldMs) / 1000).toFixed(1));
    if (actions.setRoll(shootId, camera, { offsetS, offsetFrom: 'code' }))
      setSaid(done(texts.found(formatOffset(offsetS))));
  };

  return {
    said,
    setSaid,
    progress,
    stop: () => {
      stopped.current = true;
    },
    take,
    byPhotograph,
  };
}
