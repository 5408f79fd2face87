import { z } from 'zod';

import { idSchema, SURFACE_TINT_MIRED, SURFACES } from '../gear';
import type { LightStand } from '../scene';

/** Flat things that shape the light that is there. */
export const PANEL_KINDS = ['reflector', 'diffuser', 'flag', 'window', 'door', 'porch', 'skylight'] as const;
export type PanelKind = (typeof PANEL_KINDS)[number];

interface PanelFacts {
  /** light comes in through it */
  opening: boolean;
  stand: LightStand;
  widthM: number;
  tallM: number;
}

/** Each kind: where it usually stands and how large it usually is. */
export const PANEL_FACTS: Record<PanelKind, PanelFacts> = {
  reflector: {
    opening: false,
    stand: { distanceM: 0.8, sideDeg: -70, heightM: -0.25 },
    widthM: 1.1,
    tallM: 1.1,
  },
  diffuser: {
    opening: false,
    stand: { distanceM: 0.9, sideDeg: 150, heightM: 0.7 },
    widthM: 1.2,
    tallM: 1.2,
  },
  flag: {
    opening: false,
    stand: { distanceM: 1, sideDeg: 150, heightM: 0.7 },
    widthM: 0.9,
    tallM: 1.2,
  },
  window: {
    opening: true,
    stand: { distanceM: 2, sideDeg: 70, heightM: 0.2 },
    widthM: 1.2,
    tallM: 1.8,
  },
  door: {
    opening: true,
    stand: { distanceM: 2, sideDeg: 20, heightM: -0.5 },
    widthM: 1,
    tallM: 2.1,
  },
  porch: {
    opening: true,
    stand: { distanceM: 1.5, sideDeg: 0, heightM: 0.3 },
    widthM: 3,
    tallM: 2.4,
  },
  skylight: {
    opening: true,
    stand: { distanceM: 3, sideDeg: 30, heightM: 2.8 },
    widthM: 1.5,
    tallM: 2.5,
  },
};

const standFields = {
  sideDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'from the line to the camera, positive to the right of the camera; 180 is behind' }),
  distanceM: z.number().min(0.2).max(30).meta({ description: 'from the face to its middle' }),
  heightM: z.number().min(-2).max(8).meta({ description: 'its middle over the eyes' }),
  turnedDeg: z.number().min(-80).max(80).meta({ description: 'its front turned from the face, in plan' }),
};
const panelStandSchema = z.strictObject(standFields);
export type PanelStand = z.infer<typeof panelStandSchema>;

/** One flat thing in a setup. */
export const panelSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(PANEL_KINDS),
  ...standFields,
  reflectorId: z
    .uuid()
    .nullable()
    .meta({ description: 'a reflector of the kit, which says its size; null: as given here' }),
  standId: idSchema.nullable().meta({ description: 'the stand of the kit that it is on; null: held, or built in' }),
  surface: z.enum(SURFACES).meta({ description: 'of a reflector' }),
  widthM: z.number().min(0.1).max(20),
  tallM: z.number().min(0.1).max(20),
  takesStops: z
    .number()
    .min(0.3)
    .max(4)
    .meta({ description: 'what a diffuser takes off the light that goes through it' }),
  movedAt: z.iso
    .datetime({ offset: true })
    .nullable()
    .meta({ description: 'when it was last moved: readings before saw `before`; null: all readings saw it as it is' }),
  before: panelStandSchema
    .nullable()
    .meta({ description: 'how it stood for the readings before that; null: it was not there' }),
});
export type Panel = z.infer<typeof panelSchema>;

/** How much warmer light is that a panel throws back, mired. */
export const tintMiredOf = ({ kind, surface }: Pick<Panel, 'kind' | 'surface'>): number =>
  kind === 'reflector' ? SURFACE_TINT_MIRED[surface] : 0;

/** How a panel stood when something was metered; null where it was not there. */
export const standAt = (panel: Panel, when: string): PanelStand | null =>
  panel.movedAt === null || Date.parse(when) >= Date.parse(panel.movedAt) ? panel : panel.before;

/**
 * A panel changed at a time. What readings have seen of it is kept: readings since the last move saw it as it stands now,
 * older ones as it stood before.
 * @param newestReadingAt the newest ambient reading of the setup; null for none
 */
export function changedPanel(panel: Panel, change: Partial<Panel>, now: string, newestReadingAt: string | null): Panel {
  const { sideDeg, distanceM, heightM, turnedDeg } = panel;
  const seen =
    newestReadingAt !== null && (panel.movedAt === null || Date.parse(newestReadingAt) >= Date.parse(panel.movedAt));
  return {
    ...panel,
    ...change,
    movedAt: newestReadingAt === null ? null : now,
    before: seen ? { sideDeg, distanceM, heightM, turnedDeg } : panel.before,
  };
}
