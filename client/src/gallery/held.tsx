import { type ReactNode, useState } from 'react';

/** One part of `ui` with a picture of each state that it can be in. */
export interface GalleryPart {
  /** its file in `ui`, without the ending */
  file: string;
  states: readonly { name: string; shown: ReactNode }[];
}

export const nothing = () => undefined;

/** A part that holds a value, with something to hold it. */
export function Held<T>({ start, children }: { start: T; children: (value: T, put: (value: T) => void) => ReactNode }) {
  const [value, put] = useState(start);
  return children(value, put);
}
