/** What the exposure is set by. */
export const EXPOSE_BY = ['face', 'background', 'highlight'] as const;
export type ExposeBy = (typeof EXPOSE_BY)[number];

/** How the camera is held. */
export const SUPPORTS = ['hand', 'tripod'] as const;

/** How people move before the camera, from things that stand still to dancing. */
export const MOTIONS = ['none', 'posing', 'talking', 'walking', 'dancing'] as const;
export type Motion = (typeof MOTIONS)[number];
