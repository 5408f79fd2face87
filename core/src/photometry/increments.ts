/** How finely a device or a person counts stops. */
export type Increment = 'third' | 'half' | 'tenth';

/** Size of one increment in stops. */
export const INCREMENT_STOPS: Record<Increment, number> = { third: 1 / 3, half: 1 / 2, tenth: 1 / 10 };
