/**
 * Property tests draw the same cases in each run, so that a change is judged by what it changed. `npm run properties`
 * draws new ones; the seed that it prints with a failure is given back by PROPERTY_SEED.
 */
const { configureGlobal } = require('fast-check');

const USUAL_SEED = 20260227;
const asked = process.env.PROPERTY_SEED;

if (asked !== 'new') configureGlobal({ seed: asked === undefined ? USUAL_SEED : Number(asked) });
