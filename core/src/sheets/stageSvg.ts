import { XMLBuilder } from 'fast-xml-parser';

import type { DrawnShape, Paint, StageDrawing } from './sheet';

/** A metre on the drawing, in its own units. */
const UNITS_PER_M = 100;
const LETTER_UNITS = 28;
/** Readable on white paper, with the shapes telling the kinds apart where there is no colour. */
const COLOURS: Record<Paint, string> = {
  flash: '#8A3F00',
  lamp: '#8A3F00',
  ambient: '#0F4C86',
  person: '#14160F',
  camera: '#434738',
  panel: '#4E5B00',
  background: '#14160F',
  field: '#9A9E8C',
};
const INK = '#14160F';
const PAPER = '#FFFFFF';
const FIELD_FILL = '#F3F4EA';

/** Letters that XML does not allow at all, not even written out. */
const isAllowed = (letter: string): boolean => {
  const code = letter.codePointAt(0) ?? 0;
  if (code === 0x9 || code === 0xa || code === 0xd) return true;
  return code >= 0x20 && !(code >= 0xd800 && code <= 0xdfff) && code !== 0xfffe && code !== 0xffff;
};

/** A text without what no XML file may hold. */
export const xmlText = (text: string): string => [...text].filter(isAllowed).join('');

const px = (m: number): string => (m * UNITS_PER_M).toFixed(1);

type Attributes = Record<string, string | number>;
type XmlNode = Record<string, unknown>;

/** An element as the builder takes it, with its children in order. */
const element = (tag: string, attributes: Attributes, children: XmlNode[] = []): XmlNode => ({
  [tag]: children,
  ':@': Object.fromEntries(Object.entries(attributes).map(([name, value]) => [`@${name}`, value])),
});
const letters = (text: string): XmlNode[] => [{ '#text': xmlText(text) }];

function shapeElement(shape: DrawnShape): XmlNode {
  const stroke = COLOURS[shape.paint];
  if (shape.kind === 'disc')
    return element('circle', {
      cx: px(shape.at.x),
      cy: px(shape.at.y),
      r: px(shape.radiusM),
      fill: PAPER,
      stroke,
      'stroke-width': 3,
    });
  if (shape.kind === 'letter') {
    const place = { x: px(shape.at.x), y: px(shape.at.y), dy: '0.36em', 'text-anchor': 'middle' };
    const type = { 'font-family': 'sans-serif', 'font-weight': 'bold', 'font-size': LETTER_UNITS, fill: stroke };
    return element('text', { ...place, ...type }, letters(shape.text));
  }
  const points = shape.points.map(({ x, y }) => `${px(x)},${px(y)}`).join(' ');
  if (!shape.closed)
    return element('polyline', { points, fill: 'none', stroke, 'stroke-width': shape.paint === 'background' ? 6 : 3 });
  const fill = shape.paint === 'field' ? FIELD_FILL : shape.paint === 'person' ? stroke : PAPER;
  return element('polygon', { points, fill, stroke, 'stroke-width': 3 });
}

/** A stage as a drawing of its own, 100 units a metre: SVG 1.1 without scripts, styles or anything from elsewhere. */
export function stageSvg({ box, shapes, scale, said }: StageDrawing, title: string): string {
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const foot = box.bottom - 0.15;
  const from = box.left + 0.1;
  const bar = { x1: px(from), x2: px(from + scale.lengthM), y1: px(foot), y2: px(foot) };
  const under = { x: px(from + scale.lengthM + 0.1), y: px(foot), 'font-family': 'sans-serif', 'font-size': 20 };
  const builder = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    preserveOrder: true,
    suppressEmptyNode: true,
  });
  return builder.build([
    element('?xml', { version: '1.0', encoding: 'UTF-8' }, [{ '#text': '' }]),
    element(
      'svg',
      {
        xmlns: 'http://www.w3.org/2000/svg',
        version: '1.1',
        width: px(width),
        height: px(height),
        viewBox: [px(box.left), px(box.top), px(width), px(height)].join(' '),
      },
      [
        element('title', {}, letters(title)),
        element('desc', {}, letters(said)),
        ...shapes.map(shapeElement),
        element('line', { ...bar, stroke: INK, 'stroke-width': 4 }),
        element('text', { ...under, fill: INK }, letters(scale.text)),
      ],
    ),
  ]);
}
