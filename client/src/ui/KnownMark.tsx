import Svg, { Circle, Path } from 'react-native-svg';

import type { Known } from '@sphene/core/metering';
import { usePalette } from './theme';

const SIZE = 10;
const RADIUS = 4;
const MIDDLE = SIZE / 2;

/**
 * How a figure is known, told without colour: read is full, foretold half, assumed an open ring of dashes. What it means is
 * said in words beside it.
 */
export function KnownMark({ known }: { known: Known }) {
  const palette = usePalette();
  return (
    <Svg width={SIZE} height={SIZE} aria-hidden>
      <Circle
        cx={MIDDLE}
        cy={MIDDLE}
        r={RADIUS}
        fill={known === 'read' ? palette.text : 'none'}
        stroke={palette.text}
        strokeWidth={1.5}
        strokeDasharray={known === 'assumed' ? '2 2.2' : undefined}
      />
      {known === 'foretold' && (
        <Path d={`M${MIDDLE},${MIDDLE - RADIUS} a${RADIUS},${RADIUS} 0 0 0 0,${2 * RADIUS} z`} fill={palette.text} />
      )}
    </Svg>
  );
}
