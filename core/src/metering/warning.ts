export interface Warning {
  kind:
    | 'clipped'
    | 'lost'
    | 'span'
    | 'headroom'
    | 'face-contrast'
    | 'fooled'
    | 'one-source'
    | 'no-flash-can-help'
    | 'slowest-over-sync'
    | 'not-in-kit'
    | 'high-speed-sync-missing'
    | 'dark-band'
    | 'tail-cut'
    | 'depth-missing'
    | 'flicker';
  text: string;
}
