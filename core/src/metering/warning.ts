/** A reading that says less than it seems to. */
export type MeteringWarning =
  | { kind: 'one-source'; pointId: string }
  /** the camera's own meter; off by so many stops where the background was metered too */
  | { kind: 'fooled'; pointId: string; offStops: number | null };
