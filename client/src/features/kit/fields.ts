import { texts } from './texts';
import type { GearList } from '@sphene/core/gear';
import { formatStops } from '@sphene/core/notation';
import {
  aperture,
  asNumber,
  choice,
  type Field,
  has,
  iso,
  maybe,
  number,
  outlets,
  parsed,
  shutter,
  STEPS,
  stops,
  surfaces,
  text,
  tidy,
  yesNo,
} from './field';

const isDimmed: Field['when'] = ({ dimmer }) => dimmer != null;

/** A share that is typed in per cent. */
const percent = (path: string, label: string, example: string, hint: string): Field => ({
  ...parsed(
    path,
    label,
    example,
    (share) => tidy(share * 100),
    (typed) => {
      const value = asNumber(typed.replace('%', ''));
      return value === undefined ? { ok: false } : { ok: true, value: value / 100 };
    },
  ),
  hint,
});

/** The form of each kind of gear, in the order in which people know things. */
export const FIELDS: Record<GearList, readonly Field[]> = {
  flashUnits: [
    text('name', texts.name),
    choice('output.by', texts.strengthStatedAs, [
      { value: 'guideNumber', label: texts.guideNumber },
      { value: 'wattSeconds', label: texts.wattSeconds },
    ]),
    number('output.guideNumberM', texts.guideNumber, '34', {
      hint: texts.metresIso100FullPower,
      when: has('output.by', 'guideNumber'),
    }),
    maybe(
      number('output.zoomMm', texts.statedAtZoom, '50', {
        hint: texts.mmEmptyWhenTheHead,
        when: has('output.by', 'guideNumber'),
      }),
    ),
    number('output.ws', texts.energyAtFullPower, '400', { hint: texts.ws, when: has('output.by', 'wattSeconds') }),
    choice('scale.kind', texts.itsPowerScale, [
      { value: 'fraction', label: '1/16' },
      { value: 'stopNumber', label: '7.3' },
      { value: 'wattSeconds', label: texts.ws },
      { value: 'percent', label: '%' },
    ]),
    choice('scale.step', texts.itsStep, STEPS),
    stops('scale.lowestStops', texts.lowestPower, '−8', { hint: texts.stopsBelowFull1256 }),
    number('scale.topNumber', texts.numberOfFullPower, '10', { when: has('scale.kind', 'stopNumber') }),
    number('scale.fullWs', texts.energyThatFullPowerShows, '1000', {
      hint: texts.ws,
      when: has('scale.kind', 'wattSeconds'),
    }),
    maybe(
      stops('highSpeedSyncLossStops', texts.lossOnEnteringHighSpeed, '1.7', {
        hint: texts.stopsEmptyWhenItHas,
      }),
    ),
    maybe(number('recycleFullS', texts.recycleAfterFullPower, '0.9', { hint: texts.secondsMayStayEmpty })),
    maybe(number('popsFull', texts.fullPowerFlashesInA, '390', { hint: texts.emptyOnTheMainsOr })),
    maybe(percent('coldShare', texts.leftInTheCold, '70', texts.leftInTheColdHint)),
    maybe(number('hotAfterPops', texts.hotAfter, '40', { hint: texts.hotAfterHint })),
    maybe({
      ...parsed(
        't01FullS',
        texts.t01AtFullPower,
        '1/220',
        (s) => (s < 0.5 ? `1/${Math.round(1 / s)}` : tidy(s)),
        (typed) => {
          const match = /^1\s*\/\s*(\d+)$/.exec(typed.trim());
          const value = match === null ? asNumber(typed) : 1 / Number(match[1]);
          return value === undefined ? { ok: false } : { ok: true, value };
        },
      ),
      hint: texts.secondsSuchAs1220,
    }),
    outlets,
  ],
  modifiers: [
    text('name', texts.name),
    choice('shape.kind', texts.shape, [
      { value: 'round', label: texts.round },
      { value: 'rectangle', label: texts.rectangle },
      { value: 'point', label: texts.small },
    ]),
    number('shape.diameterM', texts.diameter, '0.9', { hint: texts.inMetres, when: has('shape.kind', 'round') }),
    number('shape.widthM', texts.width, '0.6', { hint: texts.inMetres, when: has('shape.kind', 'rectangle') }),
    number('shape.heightM', texts.height, '0.6', { hint: texts.inMetres, when: has('shape.kind', 'rectangle') }),
    number('layers', texts.layersOfCloth, '1', { hint: texts.oneLayerUsuallyTakes1 }),
    stops('lossStops', texts.lossAgainstTheStandardReflector, '1.0', { hint: texts.stopsOnItsAxisMinus }),
    choice('beam.kind', texts.beam, [
      { value: 'diffuse', label: texts.cloth },
      { value: 'cone', label: texts.cone },
      { value: 'table', label: texts.fromAFile },
    ]),
    number('beam.fullDeg', texts.fullAngleOfTheBeam, '60', {
      hint: texts.degreesHalfTheLightIs,
      when: has('beam.kind', 'cone'),
    }),
  ],
  grids: [
    text('name', texts.name),
    number('angleDeg', texts.angle, '40', { hint: texts.inDegrees }),
    stops('lossStops', texts.loss, '0.7'),
  ],
  gels: [
    text('name', texts.name),
    number('shiftMired', texts.shift, '109', { hint: texts.miredWarmingIsPlus }),
    number('greenCc', texts.green, '0', { hint: texts.colourCompensatingUnitsMagentaIs }),
    stops('lossStops', texts.loss, '0.5'),
  ],
  stands: [
    text('name', texts.name),
    number('highestM', texts.highest, '2.6', { hint: texts.metresOverTheGround }),
    number('footRadiusM', texts.middleToFeet, '0.45', { hint: texts.metresLegsSpreadTheBallast }),
    maybe(number('boomM', texts.boomReaches, '1.4', { hint: texts.boomHint })),
    yesNo('wheels', texts.hasWheels),
  ],
  filters: [
    text('name', texts.name),
    choice('kind', texts.kind, [
      { value: 'nd', label: texts.neutralDensity },
      { value: 'polariser', label: texts.polariser },
    ]),
    stops('lossStops', texts.loss, '3'),
  ],
  cameras: [
    text('name', texts.name),
    choice('increment', texts.dialsCount, STEPS.slice(0, 2)),
    shutter('syncTv', texts.sync),
    yesNo('highSpeedSync', texts.highSpeedSync),
    shutter('slowestTv', texts.slowestSharpInTheHand, { hint: texts.whereNoLensIsNamed }),
    shutter('fastestTv', texts.fastestShutter),
    iso('baseSv', texts.baseIso),
    iso('highestSv', texts.highestIsoAccepted),
    maybe(iso('extendedLowSv', texts.lowestExtendedIso)),
    maybe(iso('extendedHighSv', texts.highestExtendedIso)),
    aperture('widestAv', texts.widestAperture),
    aperture('smallestAv', texts.smallestAperture),
    number('sensorDiagonalMm', texts.diagonalOfTheSensor, '43.3', { hint: texts.inMm }),
    stops('clipsAboveStops', texts.clipsAboveMidGreyBy, '3'),
    stops('noiseBelowStops', texts.lostBelowMidGreyBy, formatStops(-5)),
  ],
  lamps: [
    text('name', texts.name),
    choice('output.by', texts.strengthStatedAs, [
      { value: 'lux', label: texts.luxAt1M },
      { value: 'lumens', label: texts.lumens },
    ]),
    number('output.luxAt1M', texts.luxAt1M, '1600', { when: has('output.by', 'lux') }),
    number('output.lumens', texts.lumens, '2000', { when: has('output.by', 'lumens') }),
    number('output.beamDeg', texts.filledAngle, '100', { hint: texts.inDegrees, when: has('output.by', 'lumens') }),
    number('kelvinLow', texts.warmestColour, '2800', { hint: texts.inKelvin }),
    number('kelvinHigh', texts.coolestColour, '6000', { hint: texts.inKelvin }),
    choice('beam.kind', texts.beam, [
      { value: 'diffuse', label: texts.cloth },
      { value: 'cone', label: texts.cone },
      { value: 'table', label: texts.fromAFile },
    ]),
    number('beam.fullDeg', texts.fullAngleOfTheBeam, '60', { hint: texts.inDegrees, when: has('beam.kind', 'cone') }),
    {
      ...choice('dimmer', texts.isDimmed, [
        { value: 'true', label: texts.yes },
        { value: 'false', label: texts.no },
      ]),
      show: (dimmer) => String(dimmer != null),
    },
    number('dimmer.leastPercent', texts.dimmedDownTo, '1', { hint: '%', when: isDimmed }),
    number('dimmer.stepPercent', texts.dimmedInSteps, '1', { hint: '%', when: isDimmed }),
    maybe(number('watts', texts.takesAtFull, '60', { hint: texts.wattsHint })),
    maybe(number('batteryWh', texts.batteryHolds, '95', { hint: texts.batteryHint })),
    maybe(percent('coldShare', texts.leftInTheCold, '70', texts.leftInTheColdHint)),
  ],
  reflectors: [text('name', texts.name), number('diameterM', texts.across, '1.1', { hint: texts.inMetres }), surfaces],
  meters: [text('name', texts.name), choice('increment', texts.itShows, STEPS)],
  lenses: [
    text('name', texts.name),
    number('shortestMm', texts.shortestFocalLength, '24', { hint: texts.inMm }),
    number('longestMm', texts.longestFocalLength, '70', { hint: texts.mmTheSameForA }),
    aperture('widestAv', texts.widestAperture),
    aperture('smallestAv', texts.smallestAperture),
    stops('stabilisedStops', texts.stabiliserGains, '3'),
  ],
};
