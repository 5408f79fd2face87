import { View } from 'react-native';
import { create } from 'qrcode';
import Svg, { Path, Rect } from 'react-native-svg';

/** Modules that stay white round a code, so that it is found. */
const QUIET = 4;

/** A text as a code for a camera: black on white in every theme, for cameras read it so. */
export function QrCode({ text, said, sizePx = 220 }: { text: string; said: string; sizePx?: number }) {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const path = Array.from(data, (dark, index) =>
    dark === 0 ? '' : `M${(index % size) + QUIET} ${Math.floor(index / size) + QUIET}h1v1h-1z`,
  ).join('');
  const all = size + 2 * QUIET;
  return (
    <View role="img" aria-label={said} style={{ width: sizePx, height: sizePx }}>
      <Svg width={sizePx} height={sizePx} viewBox={`0 0 ${all} ${all}`} aria-hidden>
        <Rect width={all} height={all} fill="#FFFFFF" />
        <Path d={path} fill="#000000" />
      </Svg>
    </View>
  );
}
