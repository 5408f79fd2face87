import type { Step } from './step';

/** Version 3 says whether the sun is out since; until then nobody did. */
export const sceneChange2: Step = (old) => ({ ...old, version: 3, sunOut: null });
