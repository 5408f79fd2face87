import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Polygon, Polyline, Text as SvgText } from 'react-native-svg';

import type { DrawnShape, Paint, StageDrawing } from '@sphene/core/sheets';
import { BOLD, type Palette, REGULAR, SIZE } from './palette';
import { Txt } from './Txt';
import { usePalette } from './theme';

/** A stage is drawn no taller than this, px. */
const MOST_TALL_PX = 420;

const colourOf = (paint: Paint, palette: Palette): string => {
  switch (paint) {
    case 'flash':
    case 'lamp':
      return palette.flash;
    case 'ambient':
      return palette.ambient;
    case 'panel':
      return palette.accent;
    case 'camera':
      return palette.quiet;
    case 'field':
      return palette.line;
    default:
      return palette.text;
  }
};

function Shape({ shape, pxPerM, palette }: { shape: DrawnShape; pxPerM: number; palette: Palette }) {
  const colour = colourOf(shape.paint, palette);
  const px = (m: number) => m * pxPerM;
  if (shape.kind === 'disc')
    return (
      <Circle
        cx={px(shape.at.x)}
        cy={px(shape.at.y)}
        r={Math.max(5, px(shape.radiusM))}
        fill={palette.ground}
        stroke={colour}
        strokeWidth={2}
      />
    );
  if (shape.kind === 'letter')
    return (
      <SvgText
        x={px(shape.at.x)}
        y={px(shape.at.y) + SIZE.value * 0.36}
        textAnchor="middle"
        fontFamily={BOLD}
        fontSize={SIZE.value}
        fill={colour}
      >
        {shape.text}
      </SvgText>
    );
  const points = shape.points.map(({ x, y }) => `${px(x).toFixed(1)},${px(y).toFixed(1)}`).join(' ');
  if (!shape.closed)
    return (
      <Polyline
        points={points}
        fill="none"
        stroke={colour}
        strokeWidth={shape.paint === 'background' ? 4 : 2}
        {...(shape.paint === 'background' ? {} : { strokeDasharray: '6 4' })}
      />
    );
  const isField = shape.paint === 'field';
  return (
    <Polygon
      points={points}
      fill={isField ? palette.text : shape.paint === 'person' ? palette.text : palette.ground}
      fillOpacity={isField ? 0.06 : 1}
      stroke={colour}
      strokeWidth={isField ? 1 : 2.5}
    />
  );
}

/** A stage from above, as large as its room allows. */
export const StageSketch = memo(function StageSketch({ drawing, widthPx }: { drawing: StageDrawing; widthPx: number }) {
  const palette = usePalette();
  const { box, shapes, scale } = drawing;
  const [widthM, heightM] = [box.right - box.left, box.bottom - box.top];
  const pxPerM = Math.min(widthPx / widthM, MOST_TALL_PX / heightM);
  const [width, height] = [widthM * pxPerM, heightM * pxPerM];
  return (
    <View role="img" aria-label={drawing.said} style={{ alignItems: 'center' }}>
      <Svg width={width} height={height} aria-hidden>
        <G transform={`translate(${-box.left * pxPerM} ${-box.top * pxPerM})`}>
          {shapes.map((shape, index) => (
            <Shape key={index} shape={shape} pxPerM={pxPerM} palette={palette} />
          ))}
        </G>
        <Line
          x1={4}
          x2={4 + scale.lengthM * pxPerM}
          y1={height - 4}
          y2={height - 4}
          stroke={palette.text}
          strokeWidth={2}
        />
        <SvgText
          x={10 + scale.lengthM * pxPerM}
          y={height - 3}
          fill={palette.text}
          fontFamily={REGULAR}
          fontSize={SIZE.label}
        >
          {scale.text}
        </SvgText>
      </Svg>
      {shapes.length === 0 && <Txt tone="quiet">{drawing.said}</Txt>}
    </View>
  );
});
