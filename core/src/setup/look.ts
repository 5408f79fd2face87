import { z } from 'zod';

import { GREEN_RANGE, KELVIN_RANGE, NAMED_SOURCES } from '../colour';

/** What the exposure is set by. */
export const EXPOSE_BY = ['face', 'background', 'highlight'] as const;
export type ExposeBy = (typeof EXPOSE_BY)[number];

/** The range of the hold-back control, in stops. */
export const HOLD_BACK_RANGE = { least: 0.1, most: 5 } as const;

/** How heavily a target counts: 1 is usual. */
export const TARGET_WEIGHTS = [0.5, 1, 2, 4] as const;

/** How a target is said: a tone, or the light against the face's or against the ambient there. */
export const TARGET_KINDS = ['value', 'least', 'most', 'ratio', 'share'] as const;

/** What a point should come to. The face's own target is the look's. */
export const targetSchema = z.strictObject({
  pointId: z.string().min(1).max(60),
  kind: z.enum(TARGET_KINDS),
  stops: z
    .number()
    .min(-6)
    .max(5)
    .meta({
      description:
        'of a value, least and most: where the tone should land, stops from mid grey; of a ratio: its light under the ' +
        "face's; of a share: all light there over the ambient, so that 1 is half of it",
    }),
  weight: z.literal([...TARGET_WEIGHTS]),
});
export type Target = z.infer<typeof targetSchema>;

const colourFields = {
  kelvin: z.number().min(KELVIN_RANGE.least).max(KELVIN_RANGE.most),
  greenCc: z.number().min(GREEN_RANGE.least).max(GREEN_RANGE.most),
};
const NAMED = Object.keys(NAMED_SOURCES) as (keyof typeof NAMED_SOURCES)[];

/** The colours of the light that is there, and what the flash should make of it. */
export const colourSchema = z.strictObject({
  ambient: z
    .array(
      z.strictObject({
        pointId: z.string().min(1).max(60),
        ...colourFields,
        from: z.enum(['typed', 'frame', ...NAMED]),
      }),
    )
    .max(20)
    .meta({ description: 'colour of the ambient by point' }),
  relation: z.enum(['asIs', 'match', 'warmer', 'coolSky']).meta({
    description:
      'asIs: gels as chosen; match: flash like the ambient on the face; warmer: warmer than it; coolSky: ' +
      'warm gel on all that touches people and white balance to that',
  }),
  warmerMired: z.number().min(-200).max(200),
  whiteBalance: z.strictObject(colourFields).nullable().meta({ description: 'null: as suggested' }),
});

/** The ranges of what is wished for, in stops. */
export const LOOK_RANGES = {
  background: { least: -6, most: 5 },
  headroom: { least: 0, most: 6 },
  face: { least: -3, most: 2 },
  feel: { least: -2, most: 2 },
} as const;
const inRange = ({ least, most }: { least: number; most: number }) => z.number().min(least).max(most);

/** The picture that is wanted. */
export const lookSchema = z.strictObject({
  faceBy: z.enum(['camera', 'light']).meta({
    description: 'dome to the camera or to the light: the reading that the face is set by when there are both',
  }),
  faceContrastStops: z
    .number()
    .min(0)
    .max(6)
    .meta({ description: 'how far the shadow side of the face may lie under the lit side' }),
  exposeBy: z.enum(EXPOSE_BY).meta({
    description:
      'what the camera is set by: the hold-back on the face, the place of the background, or the headroom of a highlight',
  }),
  holdBackStops: inRange(HOLD_BACK_RANGE).meta({
    description: 'how far the ambient on the face sits below the final exposure; leads when exposed by the face',
  }),
  backgroundStops: inRange(LOOK_RANGES.background).meta({
    description: 'where the background lands against mid grey; leads when exposed by the background',
  }),
  headroomStops: inRange(LOOK_RANGES.headroom).meta({
    description: 'how far the highlight stays under clipping; leads when exposed by a highlight',
  }),
  highlightPointId: z
    .string()
    .min(1)
    .max(60)
    .nullable()
    .meta({ description: 'the highlight to expose by; null: the brightest metered' }),
  faceStops: inRange(LOOK_RANGES.face).meta({ description: 'final place of the face; 0 is correct' }),
  feelStops: inRange(LOOK_RANGES.feel).meta({
    description: 'deliberate offset of the whole picture after the numbers',
  }),
  targets: z.array(targetSchema).max(20).meta({ description: 'what other points than the face should come to' }),
});
export type Look = z.infer<typeof lookSchema>;
