import { buildNode } from '../scripts/buildNode.mjs';

await buildNode(import.meta.dirname, {
  meter: 'src/meter.ts',
  camera: 'src/camera.ts',
  radio: 'src/radio.ts',
  weather: 'src/weather.ts',
});
