import { z } from 'zod';

/** Longest text on a sheet: a note may stand on it whole. */
const text = z.string().max(6000);
const short = z.string().max(400);
const metres = z.number().min(-500).max(500);
const spot = z.strictObject({ x: metres, y: metres });

/** What a part of a drawing is of; who draws it chooses the colours. */
export const PAINTS = ['flash', 'lamp', 'ambient', 'person', 'camera', 'panel', 'background', 'field'] as const;
export type Paint = (typeof PAINTS)[number];

const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('outline'),
    paint: z.enum(PAINTS),
    points: z.array(spot).min(2).max(64),
    closed: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('disc'), paint: z.enum(PAINTS), at: spot, radiusM: z.number().min(0.01).max(10) }),
  z.strictObject({ kind: z.literal('letter'), paint: z.enum(PAINTS), at: spot, text: z.string().max(12) }),
]);
export type DrawnShape = z.infer<typeof shapeSchema>;

/** A stage from above in metres, the camera at the bottom: x to its right, y towards it. */
export const drawingSchema = z.strictObject({
  box: z.strictObject({ left: metres, top: metres, right: metres, bottom: metres }),
  shapes: z.array(shapeSchema).max(200),
  scale: z.strictObject({ lengthM: z.number().min(0.1).max(10), text: short }),
  /** for who cannot see it */
  said: text,
});
export type StageDrawing = z.infer<typeof drawingSchema>;

const figureSchema = z.strictObject({ label: short, value: short });

const blockSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('drawing'), drawing: drawingSchema }),
  z.strictObject({ kind: z.literal('heading'), text: short }),
  /** large figures side by side */
  z.strictObject({ kind: z.literal('figures'), figures: z.array(figureSchema).max(40) }),
  /** one thing with its mark, such as a light with its letter */
  z.strictObject({
    kind: z.literal('thing'),
    mark: z.string().max(12),
    title: short,
    figures: z.array(figureSchema).max(20),
    lines: z.array(text).max(20),
  }),
  z.strictObject({ kind: z.literal('steps'), items: z.array(text).max(60) }),
  /** boxes to tick with a pen */
  z.strictObject({ kind: z.literal('ticks'), boxes: z.array(short).max(4), items: z.array(text).max(400) }),
  z.strictObject({
    kind: z.literal('table'),
    head: z.array(short).max(12),
    rows: z.array(z.array(text).max(12)).max(20_000),
  }),
  z.strictObject({ kind: z.literal('text'), text }),
  z.strictObject({ kind: z.literal('cautions'), items: z.array(text).max(60) }),
]);
export type SheetBlock = z.infer<typeof blockSchema>;

/** A page to be read by somebody: on a screen, on a second device, on paper. All of it is text and drawing. */
export const sheetSchema = z.strictObject({
  /** the language of its texts */
  language: z.string().max(40),
  title: short,
  /** where it belongs and as of when */
  under: short,
  blocks: z.array(blockSchema).max(400),
});
export type Sheet = z.infer<typeof sheetSchema>;
