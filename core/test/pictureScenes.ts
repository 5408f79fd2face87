import type { Kit } from '../src/gear';
import { type PictureOf, pictureOf, weightsOf } from '../src/picture';
import {
  bakeSculpture,
  Composer,
  FINE_CELL_CM,
  frameScene,
  type Framing,
  type Sculpture,
  modelOf,
  type Quality,
  renderSoft,
  renderSource,
} from '../src/renderer';
import { SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../src/sample';
import {
  type Light,
  LIGHT_ROLE_FACTS,
  newLight,
  PLAIN_READING,
  PLAIN_STAGE,
  type Reading,
  type Setup,
} from '../src/setup';
import { type Solution, solve } from '../src/solution';
import { usualPoint } from './points';

const CLOCK = new Date('2026-02-27T16:00:00Z');

/** A scene by name: its setup, the readings, and what they come to. */
export interface PictureScene {
  name: string;
  setup: Setup;
  facts: Reading[];
}

const reading = (setupId: string, number: number, pointId: string, ev: number): Reading => ({
  ...PLAIN_READING,
  id: sampleId(number),
  setupId,
  pointId,
  at: '2026-02-27T15:50:00Z',
  text: 'x',
  av: ev - 7,
  tv: 7,
  sv: 0,
});

export interface SceneSays {
  stage?: Partial<Setup['stage']>;
  subject?: Partial<Setup['stage']['subject']>;
  lights?: (Partial<Light> & Pick<Light, 'role'>)[];
  look?: Partial<Setup['look']>;
  colour?: Partial<Setup['colour']>;
  over?: Partial<Setup>;
  faceEv: number;
  backgroundEv: number;
  wantedAv?: number;
}

/** A setup as a test needs it, on the sample's terrace with the sample's kit. */
export function sceneOf(
  name: string,
  {
    stage = {},
    subject = {},
    lights = [],
    look = {},
    colour = {},
    over = {},
    faceEv,
    backgroundEv,
    wantedAv = 5,
  }: SceneSays,
): PictureScene {
  const like = SAMPLE_TERRACE.setup;
  const units = [111, 112, 114, 115];
  const made = lights.map((light, index): Light => ({
    ...newLight(
      sampleId(21 + index),
      light.role,
      sampleId(units[index] ?? 111),
      LIGHT_ROLE_FACTS[light.role].aims === 'background' ? 'background' : light.role === 'rim' ? 'hair' : 'face',
      [],
    ),
    modifierId: sampleId(121),
    group: 'ABCD'[index] as Light['group'],
    ...light,
  }));
  const setup: Setup = {
    ...like,
    points: [
      usualPoint('face', 'face'),
      usualPoint('background', 'background'),
      ...(made.some(({ role }) => role === 'rim') ? [usualPoint('hair', 'highlight')] : []),
    ],
    look: { ...like.look, ...look },
    colour: { ...like.colour, ...colour },
    camera: { ...like.camera, wantedAv, lensId: sampleId(106) },
    lights: made,
    backgroundM: 6,
    stage: {
      ...PLAIN_STAGE,
      background: 'trees',
      ground: 'stone',
      cameraM: 2.4,
      ...stage,
      subject: { ...PLAIN_STAGE.subject, ...subject },
    },
    ...over,
  };
  return {
    name,
    setup,
    facts: [
      reading(setup.id, 901, 'face', faceEv),
      reading(setup.id, 902, 'background', backgroundEv),
      reading(setup.id, 903, 'hair', faceEv - 0.5),
    ].filter(({ pointId }) => setup.points.some(({ id }) => id === pointId)),
  };
}

const sunBehind = { by: 'hand', sideDeg: 150, altitudeDeg: 32 } as const;
const noKey = { exposeBy: 'face', holdBackStops: 0.3 } as const;

/** The eight scenes that the renderer is held to. */
export const PICTURE_SCENES: PictureScene[] = [
  sceneOf('backlit sun, no key', {
    stage: { sun: sunBehind, ground: 'grass' },
    look: noKey,
    faceEv: 11.5,
    backgroundEv: 13,
  }),
  sceneOf('backlit sun with key', {
    stage: { sun: sunBehind, ground: 'grass' },
    look: { exposeBy: 'face', holdBackStops: 1.2 },
    lights: [{ role: 'key', sideDeg: -45, heightM: 0.55, distanceM: 1.4 }],
    faceEv: 11.5,
    backgroundEv: 13,
  }),
  sceneOf('bare side flash', {
    look: { holdBackStops: 3 },
    lights: [{ role: 'key', modifierId: null, sideDeg: 62, heightM: 0.5, distanceM: 2 }],
    faceEv: 7,
    backgroundEv: 6.5,
  }),
  sceneOf('clamshell', {
    look: { holdBackStops: 2.5 },
    lights: [
      { role: 'key', sideDeg: 0, heightM: 0.75, distanceM: 1.2 },
      { role: 'fill', sideDeg: 0, heightM: -0.6, distanceM: 0.95, modifierId: sampleId(122), aimPointId: 'face' },
    ],
    faceEv: 7,
    backgroundEv: 6,
  }),
  sceneOf('hat, no fill', {
    subject: { hat: true },
    stage: { sun: { by: 'hand', sideDeg: -35, altitudeDeg: 52 }, ground: 'wood' },
    look: noKey,
    faceEv: 14,
    backgroundEv: 13,
    wantedAv: 7,
  }),
  sceneOf('hat with fill', {
    subject: { hat: true },
    stage: { sun: { by: 'hand', sideDeg: -35, altitudeDeg: 52 }, ground: 'wood' },
    look: { holdBackStops: 0.8 },
    lights: [{ role: 'key', sideDeg: 25, heightM: 0, distanceM: 1.4 }],
    faceEv: 14,
    backgroundEv: 13,
    wantedAv: 7,
  }),
  sceneOf('warm key, blue dusk', {
    look: { holdBackStops: 2.6 },
    colour: {
      ambient: [{ pointId: 'face', kelvin: 9500, greenCc: 0, from: 'typed' }],
      whiteBalance: { kelvin: 4100, greenCc: 0 },
    },
    stage: { background: 'water', sun: { by: 'hand', sideDeg: 160, altitudeDeg: -4 } },
    lights: [
      { role: 'key', sideDeg: -42, heightM: 0.5, distanceM: 1.3, gelIds: [sampleId(141)], unitId: sampleId(114) },
    ],
    faceEv: 5,
    backgroundEv: 5.5,
    wantedAv: 4,
  }),
  sceneOf('rim', {
    look: { holdBackStops: 2 },
    lights: [
      { role: 'key', sideDeg: 38, heightM: 0.5, distanceM: 1.5 },
      { role: 'rim', sideDeg: -140, heightM: 0.6, distanceM: 1.8, modifierId: null },
    ],
    faceEv: 7,
    backgroundEv: 5,
    stage: { background: 'wall' },
  }),
  sceneOf('group', {
    look: { holdBackStops: 1.5 },
    lights: [{ role: 'key', sideDeg: 30, heightM: 1.1, distanceM: 4 }],
    over: { people: { nearerM: 0.5, fartherM: 0.6, leftM: 1.1, rightM: 1.1, withinStops: 0.5 } },
    stage: { cameraM: 5 },
    faceEv: 8,
    backgroundEv: 8.5,
  }),
];

const sculptures = new Map<string, Sculpture>();
export const finished = <T>(steps: Generator<void, T>): T => {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
};

/** A scene rendered whole, at a part of the picture's usual size. */
export interface RenderedScene {
  picture: PictureOf;
  solution: Solution;
  framing: Framing;
  layers: Float32Array[];
  weights: Float64Array;
  composer: Composer;
}

export function renderScene(
  { setup, facts }: PictureScene,
  scale = 0.5,
  quality: Quality = 'fine',
  kit: Kit = SAMPLE_KIT,
): RenderedScene {
  const solution = solve(setup, kit, facts, CLOCK);
  const picture = pictureOf(setup, kit, solution);
  const weights = weightsOf(setup, kit, solution, picture);
  if (weights === null) throw new Error('no camera settings');
  let sculpture = sculptures.get(picture.lookKey);
  if (sculpture === undefined)
    sculptures.set(picture.lookKey, (sculpture = bakeSculpture(picture.scene.look, FINE_CELL_CM)));
  const [width, height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
  const framing = frameScene(
    picture.scene,
    modelOf(sculpture, picture.scene),
    width,
    height,
    { from: 0, to: height },
    picture.lensTilt,
  );
  const layers = picture.layers.map(({ source }) =>
    source === null ? renderSoft(framing, quality) : finished(renderSource(framing, source, quality, 1)),
  );
  const composer = new Composer(width, height);
  composer.setFraming(framing.view.material, [framing.edges]);
  return { picture, solution, framing, layers, weights, composer };
}
