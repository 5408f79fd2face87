import Svg, { Path } from 'react-native-svg';

import { usePalette } from './theme';

/** Our mark: a wedge split into a cool and a warm half. */
export function Mark({ size = 32 }: { size?: number }) {
  const palette = usePalette();
  return (
    <Svg width={size} height={size} viewBox="0 0 32 32" aria-hidden>
      <Path d="M3 24 16 8v16z" fill={palette.ambient} />
      <Path d="M16 8l13 16H16z" fill={palette.flash} />
      <Path d="M16 8v16" stroke={palette.accent} strokeWidth={2} />
    </Svg>
  );
}
