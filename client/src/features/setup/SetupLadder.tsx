import { words } from '@/language/words';
import { useChange, useNumbers, useSetup } from '@/setupView/setupContext';
import { Ladder } from '@/ui/Ladder';

/** The ladder of the setup on screen; a tap on a tone goes to its readings. */
export function SetupLadder({ compact, onTone }: { compact: boolean; onTone: () => void }) {
  const numbers = useNumbers();
  const { activatePoint, readingsPlace } = useChange();
  const { context } = useSetup();
  const show = (pointId: string) => {
    activatePoint(pointId);
    onTone();
    // the part and the point's readings are drawn first
    requestAnimationFrame(() => requestAnimationFrame(() => readingsPlace.current?.scrollIntoView({ block: 'start' })));
  };
  return (
    <Ladder
      points={numbers.points}
      said={numbers.points.map((point) => words.point(point, context)).join(' ')}
      onTone={show}
      clipsAboveStops={numbers.latitude?.clipsAboveStops ?? null}
      noiseBelowStops={numbers.latitude?.noiseBelowStops ?? null}
      compact={compact}
    />
  );
}
