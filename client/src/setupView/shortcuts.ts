import { useEffect, useRef } from 'react';

import type { Step } from '@sphene/core/advice';

/** The parts of a setup on screen: the steps of the work, and its log. */
export type Part = Step | 'stage' | 'log';
export const PARTS: readonly { part: Part; label: string }[] = [
  { part: 'ambient', label: 'Ambient' },
  { part: 'look', label: 'Look' },
  { part: 'camera', label: 'Camera' },
  { part: 'flash', label: 'Lights' },
  { part: 'stage', label: 'Stage' },
  { part: 'check', label: 'Check' },
  { part: 'log', label: 'Log' },
];

/** The list of keys, as the settings show it. */
export const SHORTCUTS = [
  { keys: 'Alt 1 to Alt 7', does: 'go to Ambient, Look, Camera, Lights, Stage, Check, Log' },
  { keys: 'Alt N', does: 'do the next thing' },
  { keys: 'Ctrl Z or Cmd Z', does: 'take the last thing back (outside a text field)' },
  { keys: 'Arrow keys', does: 'step the dial or the control that has the focus' },
  { keys: 'Enter', does: 'take what was typed' },
  { keys: 'Escape', does: 'leave a dial as it was' },
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
