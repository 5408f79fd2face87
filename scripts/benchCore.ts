// Median times of the core, and of a power correction with it; printed by `npm run bench`.
import { foresee } from '@sphene/core/forecast';
import { firedAs } from '@sphene/core/gain';
import { SAMPLE_GROUP, SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '@sphene/core/sample';
import { newLight, PLAIN_READING, type Reading, USUAL_METHOD } from '@sphene/core/setup';
import { sunDay } from '@sphene/core/sky';
import { solve, solveNumbers } from '@sphene/core/solution';

const CLOCK = new Date('2026-02-27T15:00:00Z');

function medianMicroseconds(work: () => unknown): number {
  for (let i = 0; i < 500; i += 1) work();
  const times = Array.from({ length: 2001 }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return (times[1000] ?? 0) * 1000;
}

const light = SAMPLE_HALL.setup.lights[0];
if (light === undefined) throw new Error('the sample has no light');
const test: Reading = {
  ...PLAIN_READING,
  id: sampleId(990),
  setupId: SAMPLE_HALL.setup.id,
  pointId: 'face',
  at: '2026-02-27T14:30:00+01:00',
  light: 'total',
  text: '4',
  av: 4,
  tv: 7,
  sv: 2,
  fired: [firedAs(SAMPLE_HALL.setup, light, -5, 'face', 0, USUAL_METHOD)],
};
const print = (name: string, value: number) =>
  console.log(`${name.padEnd(52)}${value.toFixed(0).padStart(7)} µs, median`);
print(
  'solve, one light',
  medianMicroseconds(() => solve(SAMPLE_HALL.setup, SAMPLE_KIT, SAMPLE_HALL.readings, CLOCK)),
);
print(
  'solve with a power correction from a total',
  medianMicroseconds(() => solve(SAMPLE_HALL.setup, SAMPLE_KIT, [...SAMPLE_HALL.readings, test], CLOCK)),
);
print(
  'solve with all ways out',
  medianMicroseconds(() => solve(SAMPLE_TERRACE.setup, SAMPLE_KIT, SAMPLE_TERRACE.readings, CLOCK)),
);

const others = [
  newLight(sampleId(981), 'fill', sampleId(115), 'face', SAMPLE_TERRACE.setup.lights),
  newLight(sampleId(982), 'background', sampleId(112), 'background', SAMPLE_TERRACE.setup.lights),
];
const three = {
  ...SAMPLE_TERRACE.setup,
  camera: { ...SAMPLE_TERRACE.setup.camera, wantedAv: 17 / 3 },
  lights: [...SAMPLE_TERRACE.setup.lights, ...others],
};
print(
  'solve, three lights with all ways out',
  medianMicroseconds(() => solve(three, SAMPLE_KIT, SAMPLE_TERRACE.readings, CLOCK)),
);

// while something is under the thumb only the numbers are solved; the advice follows when it rests
for (const [name, setup, facts] of [
  ['hall', SAMPLE_HALL.setup, SAMPLE_HALL.readings],
  ['terrace', SAMPLE_TERRACE.setup, SAMPLE_TERRACE.readings],
  ['three lights', three, SAMPLE_TERRACE.readings],
] as const) {
  const all = medianMicroseconds(() => solve(setup, SAMPLE_KIT, facts, CLOCK));
  const numbers = medianMicroseconds(() => solveNumbers(setup, SAMPLE_KIT, facts, CLOCK));
  print(`frame of a drag, ${name}: all at once`, all);
  print(`frame of a drag, ${name}: numbers only`, numbers);
  console.log(`  ${((100 * numbers) / all).toFixed(0)} % of all at once`);
}
const DAY_MS = 86_400_000;
const midnight = Date.parse('2026-02-27T00:00:00+01:00');
let east = 10;
print(
  "the sun's day on one line",
  // another place each time: nothing is remembered
  medianMicroseconds(() => sunDay(46.93, (east += 1e-4), midnight, midnight + DAY_MS)),
);

// an evening of a dozen readings: the moment differs each time, so that nothing is remembered
const evening = {
  ...SAMPLE_GROUP.setup,
  stage: {
    ...SAMPLE_GROUP.setup.stage,
    sun: {
      by: 'time' as const,
      latitudeDeg: 46.93,
      longitudeDeg: 10.21,
      at: '2026-02-27T15:40:00Z',
      cameraLooksDeg: 60,
    },
  },
};
const [firstOfGroup] = SAMPLE_GROUP.readings;
const metered = Array.from({ length: 12 }, (_, index) => ({
  ...(firstOfGroup ?? test),
  id: sampleId(900 + index),
  at: new Date(Date.parse('2026-02-27T14:40:00Z') + index * 5 * 60_000).toISOString(),
}));
let moment = Date.parse('2026-02-27T15:40:00Z');
const tableOfHour = () => foresee(evening, SAMPLE_KIT, metered, new Date((moment += 1)));
print("the next hour's table", medianMicroseconds(tableOfHour));
print(
  'the same with what holds the picture',
  medianMicroseconds(() => tableOfHour()?.follow()),
);
