// Test pops until every target is within a sixth of a stop of its reachable best; printed by `npm run bench`.
import { popsToBalance } from '../core/test/popsToBalance';

const SCENES = Number(process.argv[2] ?? 2000);
console.log(
  `Test pops to balance, ${SCENES} random scenes and kits with hidden deviations (median · mean · nine in ten need at most)`,
);
for (const { lights, how, median, mean, ninth } of popsToBalance(SCENES, 7))
  console.log(
    `${lights} ${lights === 1 ? 'light ' : 'lights'}  ${how.padEnd(20)}${String(median).padStart(3)}  ·  ` +
      `${mean.toFixed(2).padStart(5)}  ·  ${String(ninth).padStart(2)}`,
  );
