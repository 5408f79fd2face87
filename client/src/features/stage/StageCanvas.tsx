import { texts } from './texts';
import { useKit, useNumbers, useSetup } from '@/setupView/setupContext';
import { ActionButton, IconButton } from '@/ui/ActionButton';
import { usePalette } from '@/ui/theme';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';

import { StageDrawing } from './StageDrawing';
import { StageHandle } from './StageHandle';
import { clampZoom, type Face, fitView, fromPx, type Spot, toPx } from './stageView';
import { placesToShow, type Stage } from './useStage';

/** What a handle is marked with. */
function letterOf(id: string, name: string): string | null {
  const [kind] = id.split(':');
  return kind === 'light' ? name.slice(-1) : kind === 'panel' || kind === 'lamp' ? name.slice(0, 1) : null;
}

interface Ground {
  clientX: number;
  clientY: number;
  pointerId: number;
  currentTarget: Element;
}

/** The stage from above or from the side: drag what stands on it, pinch or wheel to zoom, drag the ground to look elsewhere. */
// eslint-disable-next-line max-lines-per-function -- one part of the screen, read from top to bottom as it stands there
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
  const [width, setWidth] = useState(340);
  const [zoom, setZoom] = useState(1);
  const [pan, setPan] = useState<Spot>({ x: 0, y: 0 });
  const surface = useRef<HTMLElement | null>(null);
  const touches = useRef(new Map<number, Spot>());
  const { things, selectedId, sunRingM } = stage;
  // while something is dragged the view must not move under the thumb
  const fitted = useRef<{ key: string; places: ReturnType<typeof placesToShow> } | null>(null);
  const key = `${face} ${setup.id} ${things.length}`;
  if (fitted.current?.key !== key)
    fitted.current = { key, places: placesToShow(things, setup.stage.subject.eyesM, face === 'side') };
  const { places } = fitted.current;
  const view = useMemo(
    () => fitView(face, places, width, heightPx, zoom, pan),
    [face, places, width, heightPx, zoom, pan],
  );
  useEffect(() => {
    const node = surface.current;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      setZoom((before) => clampZoom(before * Math.exp(-event.deltaY / 400)));
    };
    node?.addEventListener('wheel', wheel, { passive: false });
    return () => node?.removeEventListener('wheel', wheel);
  }, []);
  const ground = {
    onPointerDown: (event: Ground) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      touches.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerMove: (event: Ground) => {
      const before = touches.current.get(event.pointerId);
      if (before === undefined) return;
      const [other] = [...touches.current].filter(([id]) => id !== event.pointerId).map(([, spot]) => spot);
      if (other === undefined)
        setPan(({ x, y }) => ({ x: x + event.clientX - before.x, y: y + event.clientY - before.y }));
      else
        setZoom((z) =>
          clampZoom(
            (z * Math.hypot(event.clientX - other.x, event.clientY - other.y)) /
              Math.max(1, Math.hypot(before.x - other.x, before.y - other.y)),
          ),
        );
      touches.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerUp: (event: Ground) => {
      touches.current.delete(event.pointerId);
    },
    onPointerCancel: (event: Ground) => {
      touches.current.delete(event.pointerId);
    },
  };
  const shown = things.filter(
    ({ id, faces }) => faces.includes(face) && (!id.startsWith('turn:') || id === `turn:${selectedId ?? ''}`),
  );
  return (
    <View style={{ gap: 4 }}>
      <View
        ref={(node) => {
          surface.current = node as unknown as HTMLElement | null;
        }}
        role="group"
        aria-label={face === 'plan' ? texts.stageFromAbove : texts.stageFromTheSide}
        onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
        style={{
          height: heightPx,
          backgroundColor: palette.ground,
          borderWidth: 1,
          borderColor: palette.line,
          overflow: 'hidden',
        }}
      >
        <View {...(ground as object)} style={{ position: 'absolute', inset: 0, touchAction: 'none' } as object}>
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
          <StageHandle
            key={thing.id}
            at={toPx(view, thing.at)}
            name={thing.name}
            said={thing.said}
            deg={thing.deg}
            letter={letterOf(thing.id, thing.name)}
            small={thing.id.startsWith('turn:') || thing.id === 'others'}
            selected={thing.id === selectedId}
            onSelect={() => {
              if (!thing.id.startsWith('turn:')) stage.select(thing.id);
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
        ))}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <View style={{ flex: 1 }}>{beside}</View>
        <IconButton icon="magnify-minus-outline" name={texts.zoomOut} onPress={() => setZoom(clampZoom(zoom / 1.4))} />
        <IconButton icon="magnify-plus-outline" name={texts.zoomIn} onPress={() => setZoom(clampZoom(zoom * 1.4))} />
        <ActionButton
          kind="plain"
          label={texts.fit}
          name={texts.fitTheStage}
          onPress={() => {
            setZoom(1);
            setPan({ x: 0, y: 0 });
            fitted.current = null;
          }}
        />
      </View>
    </View>
  );
}
