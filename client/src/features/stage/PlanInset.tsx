import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { usePalette } from '@/ui/theme';
import { Pressable } from 'react-native';

import { StageDrawing } from './StageDrawing';
import { fitView } from './stageView';
import { placesToShow, useStage } from './useStage';

const EDGE_PX = 14;
const STILL = { x: 0, y: 0 };

/** The stage from above, small: where everything stands, with nothing to take hold of. */
export function PlanInset({
  widthPx,
  heightPx,
  name,
  onPress,
}: {
  widthPx: number;
  heightPx: number;
  /** what a tap does, in words */
  name: string;
  onPress: () => void;
}) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const palette = usePalette();
  const { things, sunRingM } = useStage();
  const places = placesToShow(things, setup.stage.subject.eyesM, false);
  return (
    <Pressable
      role="button"
      aria-label={name}
      onPress={onPress}
      style={{ width: widthPx, height: heightPx, backgroundColor: palette.ground, overflow: 'hidden' }}
    >
      <StageDrawing
        setup={setup}
        kit={kit}
        numbers={numbers}
        view={fitView('plan', places, widthPx, heightPx, 1, STILL, EDGE_PX)}
        width={widthPx}
        height={heightPx}
        palette={palette}
        selectedId={null}
        sunRingM={sunRingM}
      />
    </Pressable>
  );
}
