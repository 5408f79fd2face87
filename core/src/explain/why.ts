import type { Balance } from '../balance';
import {
  formatAperture,
  formatIso,
  formatShare,
  formatShutter,
  formatStopCount,
  formatStops,
  sayStops,
} from '../notation';

/** One signed step of a reason, in stops. */
export interface WhyLine {
  label: string;
  stops: number;
}

/** Why a figure is what it is: lines that add up to it. */
export interface WhyChain {
  /** what is explained: `Shutter 1/200` */
  title: string;
  lines: WhyLine[];
  /** the sum of the lines */
  totalStops: number;
  /** what the sum means */
  totalText: string;
}

/** Chains by the figure that they explain; a point's under `point:` and its id. */
export type WhyChains = Record<string, WhyChain>;

const DUST = 1e-9;
/** A chain; a line that adds nothing says nothing and is left out. */
function chain(title: string, lines: (WhyLine | null)[], totalText: (total: number) => string): WhyChain {
  const said = lines
    .filter((line): line is WhyLine => line !== null && Math.abs(line.stops) > DUST)
    .map(({ label, stops }) => ({ label, stops }));
  const totalStops = said.reduce((sum, { stops }) => sum + stops, 0);
  return { title, lines: said, totalStops, totalText: totalText(totalStops) };
}

/** The reasons of all figures of a solution: camera, power, meter, share and where every tone lands. */
export function whyChains({ camera, gear, target, look, points, face, light, lights }: Balance): WhyChains {
  if (camera === null || gear === null || target === null) return {};
  const { increment } = gear.body;
  const chains: WhyChains = {};
  const led = points.find(({ role, pointId }) =>
    look.by === 'face'
      ? role === 'face'
      : look.by === 'background'
        ? role === 'background'
        : pointId === look.highlight?.pointId,
  );
  const ledEv = led?.ambientEv100 ?? target.ev100;
  const finalStops = look.finalStops - look.feelStops;
  const wish: (WhyLine | null)[] =
    look.by === 'face'
      ? [
          { label: 'hold the ambient back', stops: target.ev100 - ledEv + look.finalStops },
          { label: 'final place of the face', stops: -finalStops },
          { label: 'feel', stops: -look.feelStops },
        ]
      : [
          {
            label: look.by === 'background' ? 'tone and place of the background' : 'tone and headroom of the highlight',
            stops: target.ev100 - ledEv + look.feelStops,
          },
          { label: 'feel', stops: -look.feelStops },
        ];
  chains['level'] = chain(
    'The level that becomes mid grey',
    [
      { label: `ambient at ${led?.name.toLowerCase() ?? 'the point'}, EV at ISO 100`, stops: ledEv },
      ...wish,
      {
        label: camera.met ? "rounding to the dials' steps" : `missing: ${camera.missing ?? ''}`,
        stops: camera.ev100 - target.ev100,
      },
    ],
    (total) => `EV ${total.toFixed(1)}`,
  );

  const level: WhyLine = { label: 'level that becomes mid grey, EV', stops: camera.ev100 };
  const filters: WhyLine = { label: camera.text.filters ?? '', stops: -camera.ndStops };
  chains['shutter'] = chain(
    `Shutter ${camera.text.shutter}`,
    [
      level,
      { label: `aperture ${camera.text.aperture}`, stops: -camera.av },
      { label: camera.text.iso, stops: camera.sv },
      filters,
    ],
    (total) => `Tv ${total.toFixed(1)}, ${formatShutter(total, increment)}`,
  );
  chains['aperture'] = chain(
    `Aperture ${camera.text.aperture}`,
    [
      level,
      { label: `shutter ${camera.text.shutter}`, stops: -camera.tv },
      { label: camera.text.iso, stops: camera.sv },
      filters,
    ],
    (total) => `Av ${total.toFixed(1)}, ${formatAperture(total, increment)}`,
  );
  chains['iso'] = chain(
    camera.text.iso,
    [
      { label: `aperture ${camera.text.aperture}`, stops: camera.av },
      { label: `shutter ${camera.text.shutter}`, stops: camera.tv },
      { label: camera.text.filters ?? '', stops: camera.ndStops },
      { ...level, stops: -camera.ev100 },
    ],
    (total) => `Sv ${formatStops(total)} over ISO 100, ${formatIso(total)}`,
  );

  for (const point of points) {
    if (
      point.ambientEv100 === null ||
      point.placedStops === null ||
      point.totalStops === null ||
      point.ambientStops === null
    )
      continue;
    const tone = point.placedStops - point.totalStops;
    chains[`point:${point.pointId}`] = chain(
      `${point.name} at ${formatStops(point.placedStops)}`,
      [
        { label: 'ambient there, EV at ISO 100', stops: point.ambientEv100 },
        { label: 'level that becomes mid grey, EV', stops: -camera.ev100 },
        { label: 'what the flash adds', stops: point.totalStops - point.ambientStops },
        { label: 'the tone itself against mid grey', stops: tone },
      ],
      (total) => (Math.abs(total) < 0.05 ? 'on mid grey' : `${sayStops(total)} than mid grey`),
    );
  }

  for (const solution of lights) {
    if (
      solution.parts === null ||
      solution.exactPowerStops === null ||
      solution.powerStops === null ||
      solution.flashStops === null
    )
      continue;
    const { parts } = solution;
    chains[`power:${solution.lightId}`] = chain(
      `Power ${solution.powerText ?? ''}`,
      [
        { label: `aperture ${camera.text.aperture}`, stops: camera.av },
        { label: camera.text.iso, stops: -camera.sv },
        filters.stops === 0 ? null : { ...filters, stops: camera.ndStops },
        {
          label:
            solution.othersStops === null
              ? 'flash alone against the final exposure'
              : 'this light alone against mid grey, beside the others',
          stops: parts.wantedFlashStops,
        },
        { label: 'guide number of the unit', stops: -parts.guideNumberAv },
        { label: 'distance', stops: parts.distanceStops },
        { label: 'modifier', stops: parts.modifierLossStops },
        { label: 'grid, gels, zoom, outlet', stops: parts.otherLossStops },
        { label: 'high-speed sync', stops: solution.syncLossStops },
        {
          label: solution.basis === 'reading' ? 'your reading against the guide number' : 'what readings have taught',
          stops: -parts.learnedStops,
        },
        {
          label:
            solution.outOfRange === null
              ? "rounding to the unit's step"
              : `out of reach: ${solution.outOfRange.direction}`,
          stops: solution.powerStops - solution.exactPowerStops,
        },
      ],
      (total) => (Math.abs(total) < 0.005 ? 'full power' : `${formatStopCount(total)} stops under full`),
    );
  }
  const solution = light?.solution;
  if (
    solution?.flashStops == null ||
    face?.ambientStops == null ||
    face.flashStops === null ||
    face.totalStops === null
  )
    return chains;
  chains['share'] = chain(
    `Flash share ${formatShare(1 - 2 ** (face.ambientStops - face.totalStops))}`,
    [
      { label: 'flash alone on the face', stops: face.flashStops },
      { label: 'ambient on the face', stops: -face.ambientStops },
    ],
    (total) => `flash ${formatStops(total)} against ambient`,
  );
  chains['meter'] = chain(
    `Meter ${solution.meter?.totalText ?? ''}`,
    [
      { label: `aperture ${camera.text.aperture}`, stops: camera.av },
      { label: camera.text.filters ?? '', stops: camera.ndStops },
      {
        label: `place of ${solution.aimName.toLowerCase()} with this light`,
        stops: (solution.meter?.totalAv ?? 0) - camera.av - camera.ndStops,
      },
    ],
    (total) => `Av ${total.toFixed(1)}`,
  );
  return chains;
}
