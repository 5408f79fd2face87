import { Txt } from '@/ui/Txt';
import { TOUCH } from '@/ui/palette';
import { usePalette } from '@/ui/theme';
import { useRef } from 'react';
import { View } from 'react-native';

import type { Spot } from './stageView';

interface StageHandleProps extends Grip {
  at: Spot;
  name: string;
  said: string;
  deg: number;
  /** what stands on it; nothing for a turning handle */
  letter: string | null;
  selected: boolean;
  /** a small one turns what it belongs to */
  small: boolean;
}

/** What taking hold of a handle does. */
interface Grip {
  onSelect: () => void;
  onMove: (to: Spot, free: boolean) => void;
  onDrop: () => void;
  onCancel: () => void;
  /** true when the key did something */
  onKey: (key: string, fine: boolean) => boolean;
}

interface Pointer {
  clientX: number;
  clientY: number;
  shiftKey: boolean;
  altKey: boolean;
  pointerId: number;
  currentTarget: Element;
  stopPropagation: () => void;
}

/** Moved less than this it was a tap, px. */
const TAP_PX = 3;

/** Pointer and keys on a handle at a spot: a move of a few px is a tap still, Escape calls a drag off. */
function useGrip(at: Spot, { onSelect, onMove, onDrop, onCancel, onKey }: Grip) {
  const start = useRef<{ x: number; y: number; at: Spot; moved: boolean } | null>(null);
  const callOff = () => {
    start.current = null;
    onCancel();
  };
  return {
    onPointerDown: (event: Pointer) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { x: event.clientX, y: event.clientY, at, moved: false };
      onSelect();
    },
    onPointerMove: (event: Pointer) => {
      const from = start.current;
      if (from === null) return;
      const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
      if (!from.moved && Math.hypot(dx, dy) < TAP_PX) return;
      from.moved = true;
      onMove({ x: from.at.x + dx, y: from.at.y + dy }, event.shiftKey || event.altKey);
    },
    onPointerUp: () => {
      const moved = start.current?.moved === true;
      start.current = null;
      if (moved) onDrop();
    },
    onPointerCancel: callOff,
    onKeyDown: (event: { key: string; shiftKey: boolean; preventDefault: () => void }) => {
      if (event.key === 'Escape' && start.current !== null) callOff();
      else if (onKey(event.key, event.shiftKey)) event.preventDefault();
    },
    onFocus: onSelect,
  };
}

/** What is seen of a handle. */
function Knob({ letter, small, selected }: Pick<StageHandleProps, 'letter' | 'small' | 'selected'>) {
  const palette = usePalette();
  const size = small ? 18 : 28;
  return (
    <View
      style={{
        width: size,
        height: size,
        borderRadius: size / 2,
        borderWidth: selected ? 3 : 1.5,
        borderColor: selected ? palette.accent : palette.text,
        backgroundColor: small ? palette.accent : palette.ground,
        alignItems: 'center',
        justifyContent: 'center',
        pointerEvents: 'none',
      }}
    >
      {letter !== null && !small && (
        <Txt size="label" bold>
          {letter}
        </Txt>
      )}
    </View>
  );
}

/** What a thumb, a mouse or the keyboard takes hold of: 48 px large whatever it looks like. */
export function StageHandle({ at, name, said, deg, letter, selected, small, ...grip }: StageHandleProps) {
  return (
    <View
      role="slider"
      aria-label={name}
      aria-valuenow={Math.round(deg)}
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuetext={said}
      tabIndex={0}
      {...(useGrip(at, grip) as object)}
      // what stands there lies over the small handles that turn it
      style={
        {
          zIndex: small ? 1 : 2,
          position: 'absolute',
          left: at.x - TOUCH / 2,
          top: at.y - TOUCH / 2,
          width: TOUCH,
          height: TOUCH,
          alignItems: 'center',
          justifyContent: 'center',
          touchAction: 'none',
          cursor: 'grab',
          userSelect: 'none',
        } as object
      }
    >
      {(letter !== null || small) && <Knob letter={letter} small={small} selected={selected} />}
    </View>
  );
}
