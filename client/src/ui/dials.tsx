import { texts } from './texts';
import { words } from '@/language/words';

import { type FlashUnit, lowestPowerStops, powerStepStops, readPower, snapPower, writePower } from '@sphene/core/flash';
import type { Preferences } from '@sphene/core/gear';
import {
  AV_RANGE,
  distanceFromUnit,
  distanceInUnit,
  formatAperture,
  formatDistance,
  formatIso,
  formatShutter,
  formatStopCount,
  formatStops,
  isoNumber,
  parseAperture,
  parseIso,
  parsePartStops,
  parseShutter,
  SV_RANGE,
  TV_RANGE,
  type TypedFault,
} from '@sphene/core/notation';
import {
  failure,
  type Increment,
  INCREMENT_STOPS,
  type Outcome,
  roundToStep,
  success,
  reflectanceOfTone,
  TONE_RANGE,
  toneOfReflectance,
} from '@sphene/core/photometry';
import { StopDial } from './StopDial';

interface DialProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
  note?: string;
  onReset?: (() => void) | undefined;
}
interface RangedDialProps extends DialProps {
  increment: Increment;
  least?: number;
  most?: number;
}

/** Steps of a dial: to the next mark of the increment, and no further than the range. */
function steps({
  value,
  onChange,
  increment,
  least,
  most,
}: {
  value: number;
  onChange: (value: number) => void;
  increment: Increment;
  least: number;
  most: number;
}) {
  const step = INCREMENT_STOPS[increment];
  const by = (count: number) => () =>
    onChange(Math.min(most, Math.max(least, roundToStep(value + count * step, step))));
  return {
    less: { onPress: by(-1), disabled: value <= least + 1e-9 },
    more: { onPress: by(1), disabled: value >= most - 1e-9 },
  };
}

const inRange = (
  read: Outcome<number, TypedFault>,
  least: number,
  most: number,
  format: (value: number) => string,
): Outcome<number, string> => {
  if (!read.ok) return failure(words.typedFault(read.reason));
  return read.value < least - 1e-6 || read.value > most + 1e-6
    ? failure(texts.keepItBetweenAnd(format(least), format(most)))
    : read;
};

export function ShutterDial({ increment, least = TV_RANGE.least, most = TV_RANGE.most, ...dial }: RangedDialProps) {
  const { less, more } = steps({ ...dial, increment, least, most });
  const format = (tv: number) => formatShutter(tv, increment);
  return (
    <StopDial
      {...dial}
      text={format(dial.value)}
      down={{ name: texts.step.slower, ...less }}
      up={{ name: texts.step.faster, ...more }}
      parse={(text) => inRange(parseShutter(text, increment), least, most, format)}
    />
  );
}

export function ApertureDial({ increment, least = AV_RANGE.least, most = AV_RANGE.most, ...dial }: RangedDialProps) {
  const { less, more } = steps({ ...dial, increment, least, most });
  const format = (av: number) => formatAperture(av, increment);
  return (
    <StopDial
      {...dial}
      text={format(dial.value)}
      down={{ name: texts.step.wider, ...less }}
      up={{ name: texts.step.smaller, ...more }}
      parse={(text) => inRange(parseAperture(text, increment), least, most, format)}
    />
  );
}

export function IsoDial({ increment, least = SV_RANGE.least, most = SV_RANGE.most, ...dial }: RangedDialProps) {
  const { less, more } = steps({ ...dial, increment, least, most });
  return (
    <StopDial
      {...dial}
      text={isoNumber(dial.value)}
      down={{ name: texts.step.lower, ...less }}
      up={{ name: texts.step.higher, ...more }}
      parse={(text) => inRange(parseIso(text), least, most, formatIso)}
    />
  );
}

/** A difference in stops, typed as `+1.3`, `-2` or `1⅓`. */
export function StopsDial({
  least,
  most,
  step,
  signed = false,
  alsoRead = () => null,
  ...dial
}: DialProps & {
  least: number;
  most: number;
  step: number;
  signed?: boolean;
  /** another way to type the figure; null: the text is none of that kind */
  alsoRead?: (text: string) => number | null;
}) {
  const increment: Increment = Math.abs(step - 1 / 3) < 1e-6 ? 'third' : 'tenth';
  const say = (stops: number) => (signed ? formatStops(stops, increment) : formatStopCount(stops, increment));
  const by = (count: number) => () =>
    dial.onChange(Math.min(most, Math.max(least, roundToStep(dial.value + count * step, step))));
  const parse = (text: string): Outcome<number, string> => {
    const match = /^([+−-]?)\s*(\d*\.?\d*)\s*([⅓½⅔]?)$/.exec(text.trim().replace(',', '.'));
    const size = Number(match?.[2] || 0) + (parsePartStops(match?.[3] ?? '') ?? 0);
    const value = match?.[1] === '' || match?.[1] === '+' ? size : -size;
    const other = alsoRead(text);
    if (other !== null && other >= least && other <= most) return success(other);
    return match === null || /^[+−-]?$/.test(text.trim()) || !(value >= least - 1e-9 && value <= most + 1e-9)
      ? failure(texts.writeStopsBetweenAndSuch(say(least), say(most), say(Math.min(most, 1))))
      : success(value);
  };
  return (
    <StopDial
      {...dial}
      text={say(dial.value)}
      parse={parse}
      down={{
        name: signed ? texts.step.darker : texts.step.less,
        onPress: by(-1),
        disabled: dial.value <= least + 1e-9,
      }}
      up={{ name: signed ? texts.step.lighter : texts.step.more, onPress: by(1), disabled: dial.value >= most - 1e-9 }}
    />
  );
}

/** A plain number with its unit, such as millimetres or degrees. */
export function NumberDial({
  unit,
  least,
  most,
  step,
  decimals,
  ...dial
}: DialProps & { unit: string; least: number; most: number; step: number; decimals: number }) {
  const say = (value: number) => `${value.toFixed(Number.isInteger(value) ? 0 : decimals).replace('-', '−')} ${unit}`;
  const by = (count: number) => () =>
    dial.onChange(Math.min(most, Math.max(least, (Math.round(dial.value / step) + count) * step)));
  const parse = (text: string): Outcome<number, string> => {
    const figure = Number(
      /^([+−-]?\d+(?:[.,]\d+)?)\s*\D*$/.exec(text.trim())?.[1]?.replace(',', '.').replace('−', '-') ?? NaN,
    );
    return figure >= least && figure <= most
      ? success(figure)
      : failure(texts.writeANumberBetweenAnd(say(least), say(most)));
  };
  return (
    <StopDial
      {...dial}
      text={say(dial.value)}
      parse={parse}
      down={{ name: texts.step.less, onPress: by(-1), disabled: dial.value <= least + 1e-9 }}
      up={{ name: texts.step.more, onPress: by(1), disabled: dial.value >= most - 1e-9 }}
    />
  );
}

/** A tone typed as the share of light that it sends back: `40 %`. */
function readReflectance(text: string): number | null {
  const percent = Number(/^(\d+(?:[.,]\d+)?)\s*%$/.exec(text.trim())?.[1]?.replace(',', '.') ?? NaN);
  return percent > 0 ? toneOfReflectance(percent / 100) : null;
}

/** How far a tone lies from mid grey, in stops or as reflectance in per cent. */
export const ToneDial = ({ note, ...dial }: DialProps) => {
  const share = reflectanceOfTone(dial.value);
  // nothing but a light sends back more than falls on it
  const said = share > 1 ? undefined : texts.reflects(Math.round(100 * share));
  return (
    <StopsDial
      {...dial}
      signed
      least={TONE_RANGE.least}
      most={TONE_RANGE.most}
      step={1 / 3}
      alsoRead={readReflectance}
      note={[note, said].filter((part) => part !== undefined).join(' · ')}
    />
  );
};

/** What a step of distance is, in the person's unit. */
const DISTANCE_STEP = { m: 0.1, ft: 0.5 } as const;
const DISTANCE_RANGE_M = { least: 0.3, most: 30 } as const;

function parseDistance(text: string, unit: Preferences['distanceUnit']): Outcome<number, string> {
  const match = /^(\d+(?:[.,]\d+)?)\s*(m|cm|ft|')?$/i.exec(text.trim());
  const figure = Number(match?.[1]?.replace(',', '.'));
  const written = match?.[2]?.toLowerCase();
  const metres =
    written === 'cm'
      ? figure / 100
      : distanceFromUnit(figure, written === 'm' ? 'm' : written === undefined ? unit : 'ft');
  if (match === null || !(metres >= DISTANCE_RANGE_M.least && metres <= DISTANCE_RANGE_M.most))
    return failure(
      texts.writeADistance(
        formatDistance(DISTANCE_RANGE_M.least, unit),
        formatDistance(DISTANCE_RANGE_M.most, unit),
        formatDistance(1.5, unit),
      ),
    );
  return success(metres);
}

export function DistanceDial({ unit, ...dial }: DialProps & { unit: Preferences['distanceUnit'] }) {
  const step = DISTANCE_STEP[unit];
  const by = (count: number) => () => {
    const stepped = (Math.round(distanceInUnit(dial.value, unit) / step) + count) * step;
    dial.onChange(
      Math.min(
        DISTANCE_RANGE_M.most,
        Math.max(DISTANCE_RANGE_M.least, Number(distanceFromUnit(stepped, unit).toFixed(4))),
      ),
    );
  };
  return (
    <StopDial
      {...dial}
      text={formatDistance(dial.value, unit)}
      parse={(text) => parseDistance(text, unit)}
      down={{ name: texts.step.nearer, onPress: by(-1), disabled: dial.value <= DISTANCE_RANGE_M.least }}
      up={{ name: texts.step.farther, onPress: by(1), disabled: dial.value >= DISTANCE_RANGE_M.most }}
    />
  );
}

export function PowerDial({ unit, ...dial }: DialProps & { unit: FlashUnit }) {
  const { scale } = unit;
  const by = (count: number) => () => dial.onChange(snapPower(scale, dial.value + count * powerStepStops(scale)));
  return (
    <StopDial
      {...dial}
      text={writePower(scale, dial.value)}
      parse={(text) => {
        const read = readPower(scale, text);
        return read.ok ? read : failure(words.powerFault(read.reason));
      }}
      down={{ name: texts.lessPower, onPress: by(-1), disabled: dial.value <= lowestPowerStops(scale) + 1e-9 }}
      up={{ name: texts.morePower, onPress: by(1), disabled: dial.value >= -1e-9 }}
    />
  );
}

/** From the line to the camera: 0 on it, positive to the camera's right, 180 behind. */
export const SideDial = (dial: DialProps) => (
  <NumberDial {...dial} unit="°" least={-180} most={180} step={5} decimals={0} />
);

/** Centre of the modifier over what it aims at, in the person's unit. */
export function HeightDial({ unit, ...dial }: DialProps & { unit: Preferences['distanceUnit'] }) {
  return (
    <NumberDial
      {...dial}
      value={Number(distanceInUnit(dial.value, unit).toFixed(2))}
      unit={unit}
      least={Number(distanceInUnit(-2, unit).toFixed(1))}
      most={Number(distanceInUnit(5, unit).toFixed(1))}
      step={DISTANCE_STEP[unit]}
      decimals={1}
      onChange={(value) => dial.onChange(Number(Math.min(5, Math.max(-2, distanceFromUnit(value, unit))).toFixed(4)))}
    />
  );
}
