import { texts } from './texts';
import { useEffect, useRef } from 'react';

import type { Step } from '@sphene/core/advice';

/** The parts of a setup on screen: the steps of the work, and its log. */
export type Part = Step | 'stage' | 'log';
export const PARTS: readonly { part: Part; label: string }[] = [
  { part: 'ambient', label: texts.ambient },
  { part: 'look', label: texts.look },
  { part: 'camera', label: texts.camera },
  { part: 'flash', label: texts.lights },
  { part: 'stage', label: texts.stage },
  { part: 'check', label: texts.check },
  { part: 'log', label: texts.log },
];

/** The list of keys, as the settings show it. */
export const SHORTCUTS = [
  { keys: texts.alt1ToAlt7, does: texts.goToAmbientLookCamera },
  { keys: texts.altN, does: texts.doTheNextThing },
  { keys: texts.ctrlZOrCmdZ, does: texts.takeTheLastThingBack },
  { keys: texts.arrowKeys, does: texts.stepTheDialOrThe },
  { keys: texts.enterKey, does: texts.takeWhatWasTyped },
  { keys: texts.escapeKey, does: texts.leaveADialAsIt },
] as const;

interface Handlers {
  onPart: (part: Part) => void;
  onNext: () => void;
  onUndo: () => void;
}

/** Listens for the shortcuts while a setup is on screen. */
export function useShortcuts(handlers: Handlers): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement && event.target.value !== '';
      const part = event.altKey ? PARTS[Number(/^Digit([1-7])$/.exec(event.code)?.[1] ?? 0) - 1] : undefined;
      if (part !== undefined) latest.current.onPart(part.part);
      else if (event.altKey && event.code === 'KeyN') latest.current.onNext();
      else if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !typing) latest.current.onUndo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
