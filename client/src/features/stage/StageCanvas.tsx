import { texts } from './texts';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { usePalette } from '@/ui/theme';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { StageDrawing } from './StageDrawing';
import { StageHandle } from './StageHandle';
import { type Face, fromPx, type StageView, toPx } from './stageView';
import type { Thing } from './things';
import { useCanvasView } from './useCanvasView';
import type { Stage } from './useStage';

/** What a handle is marked with. */
function letterOf(id: string, name: string): string | null {
  const [kind] = id.split(':');
  return kind === 'light' ? name.slice(-1) : kind === 'panel' || kind === 'lamp' ? name.slice(0, 1) : null;
}

/** A handle that only turns what it belongs to; it is there while that is held. */
const isTurn = ({ id }: Thing): boolean => id.startsWith('turn:');

/** What is taken hold of to move a thing. */
function ThingHandle({ thing, stage, view }: { thing: Thing; stage: Stage; view: StageView }) {
  return (
    <StageHandle
      at={toPx(view, thing.at)}
      name={thing.name}
      said={thing.said}
      deg={thing.deg}
      letter={letterOf(thing.id, thing.name)}
      small={isTurn(thing) || thing.id === 'others'}
      selected={thing.id === stage.selectedId}
      onSelect={() => {
        if (!isTurn(thing)) stage.select(thing.id);
      }}
      onMove={(to, free) => stage.draft(thing.moveTo(fromPx(view, to, thing.at), free))}
      onDrop={stage.drop}
      onCancel={stage.cancel}
      onKey={(pressed, fine) => {
        const settings = thing.nudge(pressed, fine);
        if (settings === null) return false;
        stage.draft(settings);
        stage.drop();
        return true;
      }}
    />
  );
}

/** The stage from above or from the side: drag what stands on it, pinch or wheel to zoom, drag the ground to look elsewhere. */
export function StageCanvas({
  stage,
  face,
  heightPx,
  beside,
}: {
  stage: Stage;
  face: Face;
  heightPx: number;
  beside: ReactNode;
}) {
  const { setup } = useSetup();
  const kit = useKit();
  const numbers = useNumbers();
  const palette = usePalette();
  const { things, selectedId, sunRingM } = stage;
  const canvas = useCanvasView(stage, face, setup.id, setup.stage.subject.eyesM, heightPx);
  const { view, width } = canvas;
  const shown = things.filter(
    (thing) => thing.faces.includes(face) && (!isTurn(thing) || thing.id === `turn:${selectedId ?? ''}`),
  );
  return (
    <View>
      <View
        ref={(node) => {
          canvas.surface.current = node as unknown as HTMLElement | null;
        }}
        role="group"
        aria-label={face === 'plan' ? texts.stageFromAbove : texts.stageFromTheSide}
        onLayout={({ nativeEvent }) => canvas.setWidth(nativeEvent.layout.width)}
        style={{
          height: heightPx,
          backgroundColor: palette.ground,
          borderWidth: 1,
          borderColor: palette.line,
          overflow: 'hidden',
        }}
      >
        <View {...(canvas.ground as object)} style={{ position: 'absolute', inset: 0, touchAction: 'none' } as object}>
          <StageDrawing
            setup={setup}
            kit={kit}
            numbers={numbers}
            view={view}
            width={width}
            height={heightPx}
            palette={palette}
            selectedId={selectedId}
            sunRingM={sunRingM}
          />
        </View>
        {shown.map((thing) => (
          <ThingHandle key={thing.id} thing={thing} stage={stage} view={view} />
        ))}
      </View>
      <View
        style={{
          position: 'absolute',
          left: 8,
          right: 0,
          bottom: 0,
          flexDirection: 'row',
          alignItems: 'center',
          pointerEvents: 'box-none',
        }}
      >
        <View style={{ flex: 1, pointerEvents: 'box-none', paddingLeft: 8 }}>{beside}</View>
        <IconButton icon="magnify-minus-outline" name={texts.zoomOut} onPress={canvas.zoomOut} />
        <IconButton icon="magnify-plus-outline" name={texts.zoomIn} onPress={canvas.zoomIn} />
        <ActionButton kind="plain" label={texts.fit} name={texts.fitTheStage} onPress={canvas.fit} />
      </View>
    </View>
  );
}
