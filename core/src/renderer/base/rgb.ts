/** Red, green and blue, linear. */
export type Rgb = readonly [number, number, number];
