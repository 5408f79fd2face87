import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';

import { clampZoom, type Face, fitView, type Spot, type StageView } from './stageView';
import { placesToShow, type Stage } from './useStage';

interface Ground {
  clientX: number;
  clientY: number;
  pointerId: number;
  currentTarget: Element;
}

/** How far in a step of the zoom keys brings. */
const ZOOM_STEP = 1.4;
const WHEEL_PX = 400;

/** What the canvas shows: everything that stands on the stage, then zoomed and moved by hand. */
export function useCanvasView(stage: Stage, face: Face, setupId: string, eyesM: number, heightPx: number) {
  const [width, setWidth] = useState(340);
  const [zoom, setZoom] = useState(1);
  const [pan, setPan] = useState<Spot>({ x: 0, y: 0 });
  const surface = useRef<HTMLElement | null>(null);
  // while something is dragged the view must not move under the thumb
  const fitted = useRef<{ key: string; places: ReturnType<typeof placesToShow> } | null>(null);
  const key = `${face} ${setupId} ${stage.things.length}`;
  if (fitted.current?.key !== key) fitted.current = { key, places: placesToShow(stage.things, eyesM, face === 'side') };
  const { places } = fitted.current;
  const view = useMemo(
    (): StageView => fitView(face, places, width, heightPx, zoom, pan),
    [face, places, width, heightPx, zoom, pan],
  );
  useWheel(surface, (factor) => setZoom((before) => clampZoom(before * factor)));
  return {
    view,
    width,
    setWidth,
    surface,
    ground: useGround(
      (x, y) => setPan((before) => ({ x: before.x + x, y: before.y + y })),
      (factor) => setZoom((before) => clampZoom(before * factor)),
    ),
    zoomIn: () => setZoom(clampZoom(zoom * ZOOM_STEP)),
    zoomOut: () => setZoom(clampZoom(zoom / ZOOM_STEP)),
    fit: () => {
      setZoom(1);
      setPan({ x: 0, y: 0 });
      fitted.current = null;
    },
  };
}

/** The wheel zooms, and does not scroll the page meanwhile. */
function useWheel(surface: RefObject<HTMLElement | null>, onZoom: (factor: number) => void): void {
  const latest = useRef(onZoom);
  useEffect(() => {
    latest.current = onZoom;
  });
  useEffect(() => {
    const node = surface.current;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      latest.current(Math.exp(-event.deltaY / WHEEL_PX));
    };
    node?.addEventListener('wheel', wheel, { passive: false });
    return () => node?.removeEventListener('wheel', wheel);
  }, [surface]);
}

/** One finger on the ground moves the view, two zoom it. */
function useGround(onPan: (x: number, y: number) => void, onZoom: (factor: number) => void) {
  const touches = useRef(new Map<number, Spot>());
  const lift = (event: Ground) => {
    touches.current.delete(event.pointerId);
  };
  return {
    onPointerDown: (event: Ground) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      touches.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerMove: (event: Ground) => {
      const before = touches.current.get(event.pointerId);
      if (before === undefined) return;
      const [other] = [...touches.current].filter(([id]) => id !== event.pointerId).map(([, spot]) => spot);
      if (other === undefined) onPan(event.clientX - before.x, event.clientY - before.y);
      else {
        const apart = Math.hypot(event.clientX - other.x, event.clientY - other.y);
        onZoom(apart / Math.max(1, Math.hypot(before.x - other.x, before.y - other.y)));
      }
      touches.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerUp: lift,
    onPointerCancel: lift,
  };
}
