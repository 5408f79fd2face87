// How true the light is: the renderer against brute-force integration over nine scenes; printed by `npm run bench`.
import { errorsOf, frameLight, LIGHT_SCENES, renderedLight, truthOf } from '../core/test/lightScenes';

const RAYS = { source: 16, half: 16, bounceSource: 3, bounceHalf: 8 };
const EVERY = 12;

console.log('light against integration, stops      middle   middle size   95 of 100 lit   (draft)');
for (const one of LIGHT_SCENES) {
  const framing = frameLight(one);
  const truth = truthOf(one, framing, EVERY, RAYS);
  const row = (['fine', 'draft'] as const).map((quality) =>
    errorsOf(one, truth, renderedLight(framing, one.source, quality)),
  );
  const [fine, draft] = row;
  if (fine === undefined || draft === undefined) throw new Error('no figures');
  const figure = (value: number) => value.toFixed(2).padStart(6);
  console.log(
    `${one.name.padEnd(36)}${figure(fine.median)}${figure(fine.medianSize).padStart(12)}` +
      `${figure(fine.lit95).padStart(16)}        ${figure(draft.median)}${figure(draft.lit95)}  of ${fine.lit}`,
  );
}
