import { buildNode } from '../scripts/buildNode.mjs';

await buildNode(import.meta.dirname, { main: 'src/main.ts' });
