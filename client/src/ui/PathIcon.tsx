import Svg, { Path } from 'react-native-svg';

import { type IconName, iconPaths } from './iconPaths';

/** An icon from its SVG path; Paper's own icons come through here too. Decoration only: its button has the name. */
export default function PathIcon({
  name,
  color,
  size = 24,
}: {
  name: IconName;
  color?: string | undefined;
  size?: number;
}) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={iconPaths[name]} fill={color ?? 'currentColor'} />
    </Svg>
  );
}
