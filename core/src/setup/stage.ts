import { z } from 'zod';

export const BACKGROUNDS = ['wall', 'trees', 'water', 'sky'] as const;
export type Background = (typeof BACKGROUNDS)[number];
export const GROUNDS = ['snow', 'grass', 'stone', 'wood'] as const;
export type Ground = (typeof GROUNDS)[number];
/** Where the light that is there comes from; `camera`: from behind it, `behind`: from behind the people. */
export const OPEN_SIDES = ['left', 'right', 'above', 'camera', 'behind', 'all-round'] as const;
export type OpenSide = (typeof OPEN_SIDES)[number];

/** Who stands there, as far as light behaves differently on them. */
export const subjectSchema = z.strictObject({
  turnDeg: z
    .number()
    .min(-180)
    .max(180)
    .meta({ description: 'face turned from the line to the camera, positive to the right of the camera' }),
  eyesM: z.number().min(0.4).max(2.4).meta({ description: 'eyes over the ground' }),
  company: z
    .enum(['alone', 'two'])
    .meta({ description: 'two: a second person stands beside; a group is said by how far its people stand' }),
  othersTurnDeg: z.number().min(-180).max(180).meta({
    description: 'how far everyone else is turned from the camera towards the person in focus; negative: away',
  }),
  hat: z.boolean(),
  spectacles: z.boolean(),
  spectaclesTiltDeg: z.number().min(-5).max(25).meta({ description: 'how far the lenses are tipped down' }),
  deepSet: z.boolean().meta({ description: 'eyes deep under the brow' }),
  hair: z.enum(['dark', 'light']),
  skin: z.enum(['light', 'medium', 'deep']),
  betterSide: z.enum(['left', 'right']).nullable().meta({
    description: 'the side of the face that should be seen lit, as the camera sees it; null: none is preferred',
  }),
});
export type Subject = z.infer<typeof subjectSchema>;

const latitudeDeg = z.number().min(-90).max(90);
const longitudeDeg = z.number().min(-180).max(180);

/** Where the sun stands: by hand, or by place and time with the way that the camera looks. */
export const sunSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('hand'),
    sideDeg: z.number().min(-180).max(180),
    altitudeDeg: z.number().min(-10).max(90),
  }),
  z.strictObject({
    by: z.literal('time'),
    latitudeDeg,
    longitudeDeg,
    at: z.iso.datetime({ offset: true }),
    cameraLooksDeg: z
      .number()
      .min(0)
      .max(360)
      .meta({ description: 'where the camera looks, degrees from north through east' }),
  }),
]);
export type Sun = z.infer<typeof sunSchema>;

/** Everything on the stage that is neither a light nor a panel. */
export const stageSchema = z.strictObject({
  subject: subjectSchema,
  cameraM: z.number().min(0.5).max(60).meta({ description: 'from the subject to the camera' }),
  cameraUpM: z.number().min(-2).max(4).meta({ description: 'lens over the eyes of the subject' }),
  upright: z.boolean().meta({ description: 'the frame is held upright' }),
  background: z.enum(BACKGROUNDS),
  ground: z.enum(GROUNDS),
  sun: sunSchema.nullable().meta({ description: 'null: no sun in the scene' }),
  openSide: z
    .enum(OPEN_SIDES)
    .nullable()
    .meta({ description: 'where most of the ambient comes from, as the camera sees it; null: nobody said' }),
});
export type StagePlan = z.infer<typeof stageSchema>;

/** One person, standing, looking at a camera at the height of their eyes. */
export const PLAIN_STAGE: StagePlan = {
  subject: {
    turnDeg: 0,
    eyesM: 1.6,
    company: 'alone',
    othersTurnDeg: 20,
    hat: false,
    spectacles: false,
    spectaclesTiltDeg: 0,
    deepSet: false,
    hair: 'dark',
    skin: 'light',
    betterSide: null,
  },
  cameraM: 2.5,
  cameraUpM: 0,
  upright: true,
  background: 'wall',
  ground: 'stone',
  sun: null,
  openSide: null,
};
