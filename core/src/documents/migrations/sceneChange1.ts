import type { Step } from './step';

/** Version 2 of a change of the scene says which thing it was; until then, people reported all. */
export const sceneChange1: Step = (old) => ({ ...old, version: 2, thingId: null });
