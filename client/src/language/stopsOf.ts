/** A count of stops with its word, as the sentences of the core have it: `1.0 stop`, `0.5 stop`, `1.3 stops`. */
export const stopsOf = (count: string): string =>
  `${count} ${/^[+−]?(1|1\.0|⅓|½|⅔|0\.[1-9])$/.test(count) ? 'stop' : 'stops'}`;
