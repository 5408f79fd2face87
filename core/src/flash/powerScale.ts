import { z } from 'zod';

import { figuresFromWords, formatStopCount, parsePartStops } from '../notation';
import {
  ceilToStep,
  failure,
  fault,
  INCREMENT_STOPS,
  type Outcome,
  roundToStep,
  stepsToStops,
  success,
} from '../photometry';

/**
 * The scale printed on a flash unit. Power is kept in stops below full (0 and less);
 * the scale only says how this unit writes it, its step and how low it goes.
 */
export const powerScaleSchema = z
  .strictObject({
    kind: z
      .enum(['fraction', 'stopNumber', 'wattSeconds', 'percent'])
      .meta({ description: 'fraction: 1/16 +0.3; stopNumber: one whole number per stop; wattSeconds; percent' }),
    step: z.enum(['third', 'half', 'tenth']).meta({ description: "the unit's own power step" }),
    lowestStops: z.number().min(-12).max(0).meta({ description: 'lowest power, stops below full' }),
    topNumber: z
      .number()
      .min(1)
      .max(20)
      .optional()
      .meta({ description: 'stopNumber scale: the number that stands for full power' }),
    fullWs: z
      .number()
      .positive()
      .max(10000)
      .optional()
      .meta({ description: 'wattSeconds scale: energy at full power' }),
  })
  .superRefine((scale, context) => {
    if (scale.kind === 'stopNumber' && scale.topNumber === undefined)
      context.addIssue({
        code: 'custom',
        path: ['topNumber'],
        message: fault('full-number-missing'),
      });
    if (scale.kind === 'wattSeconds' && scale.fullWs === undefined)
      context.addIssue({
        code: 'custom',
        path: ['fullWs'],
        message: fault('full-energy-missing'),
      });
  });
export type PowerScale = z.infer<typeof powerScaleSchema>;

/** The step of a scale in stops. */
export const powerStepStops = (scale: PowerScale): number => INCREMENT_STOPS[scale.step];

/** The lowest power that the dial can really show: the lowest power rounded up to the step. */
export const lowestPowerStops = (scale: PowerScale): number => ceilToStep(scale.lowestStops, powerStepStops(scale));

/** The nearest setting of the unit's dial, inside its range. */
export function snapPower(scale: PowerScale, powerStops: number): number {
  return Math.min(0, Math.max(lowestPowerStops(scale), roundToStep(powerStops, powerStepStops(scale))));
}

const threeDigits = (value: number): string => (value >= 100 ? value.toFixed(0) : String(Number(value.toPrecision(3))));

/**
 * Writes a power in the unit's own scale: `1/16 +0.3`, `6.3`, `25 Ws`, `12.5 %`.
 * The power is snapped to the unit's step first, since the dial has nothing in between.
 */
export function writePower(scale: PowerScale, powerStops: number): string {
  const snapped = roundToStep(powerStops, powerStepStops(scale));
  switch (scale.kind) {
    case 'stopNumber':
      return ((scale.topNumber ?? 10) + snapped).toFixed(1);
    case 'wattSeconds':
      return `${threeDigits((scale.fullWs ?? 0) * 2 ** snapped)} Ws`;
    case 'percent':
      return `${threeDigits(100 * 2 ** snapped)} %`;
    case 'fraction': {
      const whole = Math.floor(snapped + 1e-9);
      const part = snapped - whole;
      return part < 0.05 ? `1/${2 ** -whole}` : `1/${2 ** -whole} +${part.toFixed(1)}`;
    }
  }
}

/** Why a text is no power of a unit. */
export type PowerFault =
  | { kind: 'not-a-power'; text: string; scale: PowerScale['kind'] }
  | { kind: 'power-outside'; text: string; lowestText: string; highestText: string };

/** Part of a stop behind a fraction of power; 0.3 and 0.7 mean thirds on a dial that counts thirds. */
function partOfStop(text: string, scale: PowerScale): number | undefined {
  const minus = /^[-−–]/.test(text);
  const part = parsePartStops(text.replace(/^[-−–]\s*/, '').replace(/^\+\s*/, ''));
  return part === undefined ? undefined : (minus ? -1 : 1) * roundToStep(part, powerStepStops(scale));
}

function readFraction(text: string, scale: PowerScale): number | undefined {
  if (/^(full|1|1\/1)$/.test(text)) return 0;
  const match = /^(?:1\s*\/\s*)?(\d+)\s*(.*)$/.exec(text);
  const denominator = Number(match?.[1]);
  const part = partOfStop(match?.[2] ?? '', scale);
  const whole = Math.log2(denominator);
  return part === undefined || !Number.isInteger(whole) ? undefined : part - whole;
}

/** A share of full power in per cent means the same on every scale. */
function readPercent(text: string): number | undefined {
  const figure = /^(\d+(?:\.\d+)?)\s*%$/.exec(text)?.[1];
  return figure === undefined || Number(figure) <= 0 ? undefined : Math.log2(Number(figure) / 100);
}

/** How people say a share of full power whatever the scale: *half*, *a quarter*, *one over sixteen*, *32 power*, *500 of 1000*. */
function readShare(text: string): number | undefined {
  if (/^(full|full power)$/.test(text)) return 0;
  if (/^(a |one )?half( power)?$/.test(text)) return -1;
  const said = figuresFromWords(text).replace(/ power$/, '');
  const part = /^1\s*(?:\/|over)\s*(\d+)$/.exec(said)?.[1] ?? (said === text ? undefined : /^(\d+)$/.exec(said)?.[1]);
  if (part !== undefined && Number(part) > 0) return -Math.log2(Number(part));
  const [, some, all] = /^(\d+(?:\.\d+)?) of (\d+(?:\.\d+)?)$/.exec(said) ?? [];
  return some === undefined || Number(some) <= 0 ? undefined : Math.log2(Number(some) / Number(all));
}

/** *Level six* names the number on the dial. */
const withoutLevel = (text: string): string => {
  const level = /^level (.+)$/.exec(text)?.[1];
  return level === undefined ? text : figuresFromWords(level);
};

/** A figure of a scale, with its own unit sign or none; another scale's sign says that something else is meant. */
function readNumber(text: string, scale: PowerScale): number | undefined {
  const [, written, unit] = /^(\d+(?:\.\d+)?)\s*(ws|j)?$/.exec(text) ?? [];
  const figure = Number(written ?? NaN);
  if (!(figure >= 0) || (unit !== undefined && scale.kind !== 'wattSeconds')) return undefined;
  if (scale.kind === 'stopNumber') return figure - (scale.topNumber ?? 10);
  const stops = Math.log2(figure / (scale.kind === 'wattSeconds' ? (scale.fullWs ?? 0) : 100));
  return Number.isFinite(stops) ? stops : undefined;
}

/**
 * Reads a power written in the unit's own scale and snaps it to the unit's step.
 * @returns stops below full, or why it is none
 */
export function readPower(scale: PowerScale, text: string): Outcome<number, PowerFault> {
  const tidied = withoutLevel(
    text
      .trim()
      .toLowerCase()
      .replace(/(\d),(\d)/g, '$1.$2'),
  );
  const own = scale.kind === 'fraction' ? readFraction(tidied, scale) : readNumber(tidied, scale);
  const stops = readPercent(tidied) ?? own ?? readShare(tidied);
  if (stops === undefined) return failure({ kind: 'not-a-power', text: text.trim(), scale: scale.kind });
  const snapped = roundToStep(stops, powerStepStops(scale));
  if (snapped > 1e-9 || snapped < lowestPowerStops(scale) - 1e-9)
    return failure({
      kind: 'power-outside',
      text: text.trim(),
      lowestText: writePower(scale, lowestPowerStops(scale)),
      highestText: writePower(scale, 0),
    });
  return success(snapped);
}

/** A power as every scale would write it, the unit's own first: fraction, stops under full, per cent, and energy where it is known. */
export function powerInScales(scale: PowerScale, powerStops: number): string[] {
  const others: PowerScale[] = [
    { kind: 'fraction', step: 'tenth', lowestStops: -12 },
    { kind: 'percent', step: 'tenth', lowestStops: -12 },
    ...(scale.fullWs === undefined
      ? []
      : [{ kind: 'wattSeconds' as const, step: 'tenth' as const, lowestStops: -12, fullWs: scale.fullWs }]),
  ];
  const written = [scale, ...others.filter(({ kind }) => kind !== scale.kind)].map((one) =>
    writePower(one, powerStops),
  );
  return [...written, `−${formatStopCount(-powerStops)}`];
}

/** Every setting of the dial, from full power down. */
export function powerSettings(scale: PowerScale): number[] {
  const step = powerStepStops(scale);
  const count = Math.round(-lowestPowerStops(scale) / step);
  return Array.from({ length: count + 1 }, (_, index) => stepsToStops(-index, step));
}
