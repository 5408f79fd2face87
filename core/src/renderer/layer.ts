import { emptyDirect, shineOn } from './light/direct';
import { addBounce, type Bounce, emptyHits, NODE_STEP, poolHits } from './light/bounce';
import { type EdgeWeights, findEdges } from './light/edges';
import { smoothVisible, spreadVisible } from './light/filter';
import { addCatchLights, findMirrors, type Mirrors } from './light/mirrors';
import { gatherSoft, smoothSoft, SOFT_SAMPLES, softLayer, spreadSoft } from './light/softLight';
import { patchesOf } from './light/patches';
import type { Source } from './light/source';
import { thrownOfSoft, thrownOfSource } from './light/thrown';
import { markUndecided, traceVisible } from './light/visibility';
import type { PictureScene } from './scene';
import { MATERIAL } from './sculpture/bust';
import type { Model } from './sculpture/model';
import { emptyView, seeRows, type ViewBuffers } from './view';

/** Rows that filters look over beyond those that they finish. */
const MARGIN = 14;

/**
 * What one worker knows of a framing: rows `from` to `to` are its own, a few more on both sides are seen for the
 * filters.
 */
export interface Framing {
  scene: PictureScene;
  model: Model;
  view: ViewBuffers;
  edges: EdgeWeights;
  mirrors: Mirrors;
  /** how light comes back from ground, wall and people; known once the soft light was gathered */
  bounce: Bounce | null;
  from: number;
  to: number;
  seenFrom: number;
  seenTo: number;
}

/** Sees the rows of a framing. @param lensTilt how far spectacles are tipped down, radians */
export function frameScene(
  scene: PictureScene,
  model: Model,
  width: number,
  height: number,
  rows: { from: number; to: number },
  lensTilt = 0,
): Framing {
  const { from, to } = rows;
  const first = Math.max(0, from - MARGIN);
  // in step with the nodes of the bounce, whoever has the rows
  const [seenFrom, seenTo] = [first - (first % NODE_STEP), Math.min(height, to + MARGIN)];
  const view = emptyView(width, height, scene.view);
  seeRows(view, model, scene, seenFrom, seenTo);
  return {
    scene,
    model,
    view,
    from,
    to,
    seenFrom,
    seenTo,
    edges: findEdges(view, model, scene, from, to),
    mirrors: findMirrors(view, model, scene, lensTilt, from, to),
    bounce: null,
  };
}

/** How carefully a layer is rendered. */
export type Quality = 'draft' | 'fine';
/** Rays that ask a patch for the soft light on it. */
const PATCH_RAYS = { draft: 6, fine: 20 } as const;

/** A layer at unit strength: linear red, green and blue of the framing's own rows. */
export type LayerRows = Float32Array;

const finish = ({ view: { width }, from, to }: Framing, layer: Float32Array): LayerRows =>
  layer.slice(from * width * 3, to * width * 3);

/**
 * The layer of the soft light from all round; must be rendered before those of the sources: it finds out by which ways
 * light comes back.
 */
export function renderSoft(framing: Framing, quality: Quality): LayerRows {
  const { view, model, scene, mirrors, seenFrom, seenTo } = framing;
  const pixels = view.width * view.height;
  const light = new Float32Array(pixels * 3);
  const hits = emptyHits(view.width, seenFrom, seenTo, SOFT_SAMPLES[quality]);
  const patches = framing.bounce?.patches ?? patchesOf(model, scene);
  gatherSoft(view, model, scene, patches, seenTo, hits, light);
  smoothSoft(view, seenFrom, seenTo, 2, light);
  spreadSoft(view, seenFrom, seenTo, light);
  const bounce = poolHits(view, patches, hits, seenTo, framing.bounce);
  framing.bounce = bounce;
  addBounce(
    bounce,
    view,
    seenFrom,
    seenTo,
    thrownOfSoft(patches, bounce.seen, model, scene, PATCH_RAYS[quality]),
    light,
  );
  const people = new Float32Array(pixels * 3);
  const ofPeople = new Float32Array(patches.count * 3).fill(1, 0, patches.firstGround * 3);
  addBounce(bounce, view, seenFrom, seenTo, ofPeople, people);
  const layer = new Float32Array(light.length);
  softLayer(view, scene, seenFrom, seenTo, light, people, mirrors, layer);
  return finish(framing, layer);
}

/** Draft: every how many pixels, by how many rays; fine: how many rays where a shadow's edge may be. */
const DRAFT = { step: 2, samples: 4 } as const;
/** Fixed places on a source's face for light without shadow: the same for every pixel, so without noise. */
const SHINE_SAMPLES = { draft: 4, fine: 12 } as const;
const ROWS_AT_A_TIME = 48;
const HARD_SAMPLES = 12;
const SOFT_EDGE_SAMPLES = 24;
/** A source smaller than this, seen from the subject, draws hard edges: filtering would only blur them. Radians. */
const HARD_SOURCE = 0.12;

function isHard(source: Source): boolean {
  if (source.kind === 'sun') return true;
  const distance = Math.sqrt(source.centre[0] ** 2 + source.centre[1] ** 2 + source.centre[2] ** 2);
  return (2 * Math.max(source.halfAcross, source.halfUp)) / distance < HARD_SOURCE;
}

/**
 * The layer of one source at unit strength: what it does to every pixel, with shadows from its true size, gloss,
 * its image
 * in eyes and lenses, and one bounce off ground, people and a wall behind them.
 * @param seed another seed gives another grain; the same gives the same picture
 * @yields before long steps, so that a caller can stop in between
 */
export function* renderSource(
  framing: Framing,
  source: Source,
  quality: Quality,
  seed: number,
): Generator<void, LayerRows> {
  const { view, model, mirrors, seenFrom, seenTo } = framing;
  const { width, height } = view;
  const direct = emptyDirect(width * height);
  shineOn(view, model, source, seenFrom, seenTo, SHINE_SAMPLES[quality], direct);
  yield;
  const hard = isHard(source);
  traceVisible(view, model, source, seenFrom, seenTo, { ...DRAFT, mask: null, seed }, direct.visible);
  spreadVisible(view, direct.visible, seenFrom, seenTo, DRAFT.step);
  let visible = direct.visible;
  const spare = new Float32Array(width * height);
  if (quality === 'fine') {
    const mask = new Uint8Array(width * height);
    markUndecided(view, visible, seenFrom, seenTo, mask);
    const samples = hard ? HARD_SAMPLES : SOFT_EDGE_SAMPLES;
    for (let row = seenFrom; row < seenTo; row += ROWS_AT_A_TIME) {
      yield;
      traceVisible(
        view,
        model,
        source,
        row,
        Math.min(seenTo, row + ROWS_AT_A_TIME),
        { samples, step: 1, mask, seed },
        visible,
      );
    }
    yield;
    if (!hard) visible = smoothVisible(view, visible, spare, seenFrom, seenTo, 2, samples);
  } else if (!hard) visible = smoothVisible(view, visible, spare, seenFrom, seenTo, 1, DRAFT.samples);
  const catchLight = new Float32Array(width * height);
  addCatchLights(mirrors, source, seenFrom * width, seenTo * width, catchLight);
  return finish(framing, assemble(framing, source, direct.onSurface, direct.gloss, visible, catchLight));
}

/** Light, gloss, shadow and bounce together. */
function assemble(
  { view, model, bounce, seenFrom, seenTo }: Framing,
  source: Source,
  onSurface: Float32Array,
  gloss: Float32Array,
  visible: Float32Array,
  catchLight: Float32Array,
): Float32Array {
  const { width, albedo, material } = view;
  const layer = new Float32Array(width * view.height * 3);
  if (bounce !== null) {
    const thrown = thrownOfSource(bounce.patches, bounce.seen, model, source);
    addBounce(bounce, view, seenFrom, seenTo, thrown, layer);
  }
  for (let o = seenFrom * width; o < seenTo * width; o += 1) {
    if (material[o] === MATERIAL.sky) continue;
    const q = o * 3,
      share = Math.max(0, visible[o]!),
      light = onSurface[o]! * share,
      shine = gloss[o]! * share + catchLight[o]!;
    for (let k = 0; k < 3; k += 1) layer[q + k] = (albedo[q + k]! * (light + layer[q + k]!)) / Math.PI + shine;
  }
  return layer;
}
