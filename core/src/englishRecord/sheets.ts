import type { MeantFigures, SheetWords } from '../words';

/** A source that looks at least so wide is called soft, and one up to there hard, degrees. */
const [SOFT_DEG, HARD_DEG] = [25, 8];
/** Nearer to the line to the camera than this, a key comes from neither side, degrees. */
const AXIS_DEG = 15;
/** Behind this, a key comes from behind, degrees. */
const BEHIND_DEG = 110;

const softness = (deg: number): string => (deg >= SOFT_DEG ? 'Soft ' : deg <= HARD_DEG ? 'Hard ' : '');

function side(deg: number): string {
  if (Math.abs(deg) < AXIS_DEG) return 'by the camera';
  const hand = deg < 0 ? 'left' : 'right';
  return Math.abs(deg) > BEHIND_DEG ? `from behind ${hand}` : `from the ${hand}`;
}

const stopsOver = (stops: number): string => `${Math.abs(stops).toFixed(1)} ${stops < 0 ? 'darker' : 'brighter'}`;

/** What is meant, in ten words or less. */
function tenWords({ keySideDeg, softnessDeg, flashShare, backgroundStops }: MeantFigures): string {
  const light =
    keySideDeg === null
      ? 'Available light'
      : `${softnessDeg === null ? '' : softness(softnessDeg)}key ${side(keySideDeg)}`;
  const parts = [
    light.charAt(0).toUpperCase() + light.slice(1),
    ...(backgroundStops === null ? [] : [`background ${stopsOver(backgroundStops)}`]),
    ...(flashShare === null || keySideDeg === null ? [] : [`flash ${Math.round(flashShare * 100)} %`]),
  ];
  return `${parts.join(', ')}.`;
}

function hourText(hour: number): string {
  const whole = Math.floor(hour);
  return hour === whole ? `${whole} o’clock` : `half past ${whole}`;
}

/** What stands on sheets, in English. */
export const englishSheets: SheetWords = {
  scale: (unit) => (unit === 'm' ? '1 m' : '3 ft'),
  drawingSaid: (letters) =>
    letters.length === 0
      ? 'The stage from above, the camera at the bottom.'
      : `The stage from above, the camera at the bottom; lights ${letters.join(', ')} where they stand.`,

  under: (shoot, spot, clock) => `${shoot} · ${spot} · as of ${clock}`,
  ofShoot: (shoot, date) => `${shoot} · ${date}`,
  fromTo: (from, to) => `${from} – ${to}`,
  minutes: (minutes) => `${minutes} min`,
  notKnown: 'not known yet',

  stands: 'Stands at',
  atHour: hourText,
  middleOverGround: 'Middle over ground',
  power: 'Power',
  radio: 'Radio',
  groupAndChannel: (group, channel) => `${group} · channel ${channel}`,
  awayFrom: (what) => `From the ${what.toLowerCase()}`,
  aim: 'Aimed at',
  aimed: (at, featherDeg) =>
    Math.abs(featherDeg) < 1
      ? at.toLowerCase()
      : `${at.toLowerCase()}, then turned ${Math.abs(Math.round(featherDeg))}° to the ${featherDeg < 0 ? 'left' : 'right'}`,
  zoom: 'Zoom',
  millimetres: (mm) => `${Math.round(mm)} mm`,
  holds: 'Within ¼ stop',
  noStand: 'no stand named',
  dialled: (powerText) => `Now dialled: ${powerText}`,
  placeAssumed: 'Its place is assumed: ask before you build.',
  lamp: 'Lamp',
  dimmer: 'Dimmer',
  dimmedTo: (stops) => (stops === 0 ? 'full' : `${Math.abs(stops).toFixed(1)} under full`),
  off: 'off',
  colour: 'Colour',
  face: 'Face',
  size: 'Size',
  widthByHeight: (width, height) => `${width} × ${height}`,
  builtIn: 'part of the place',
  heldByHand: 'held by hand',
  putUp: (light, stand, ballastKg) =>
    `${stand ?? 'Stand'} for ${light}${ballastKg === null ? '' : `, at least ${Math.ceil(ballastKg)} kg over the tallest leg`}; ` +
    'head, modifier, gels; place, height, aim; radio and power.',
  lampsOn: 'Lamps on, to their dimmers’ settings.',
  panelsLast: 'Panels last: they are in the way until everything else stands.',
  testWithEyesClosed: 'Say it aloud before the first test; eyes closed near a head.',
  firstFrame: 'First frame',
  toBuild: 'To build',
  toShoot: 'To shoot',
  camera: 'Camera',
  tenWords,
  order: 'In this order',
  takeCare: 'Take care',
  inWords: 'In words',

  forSecondShooter: (setup) => `${setup}: second body`,
  shutter: 'Shutter',
  aperture: 'Aperture',
  iso: 'ISO',
  filters: 'Filters',
  whiteBalance: 'White balance',
  noSettingsYet: 'There are no settings yet: meter the face and the background first.',
  lightOnRadio: (light, radio, powerText) => `${light}: ${radio}${powerText === null ? '' : `, ${powerText}`}`,
  forEditor: 'For the editor',
  frames: 'Frames',
  framesNotSaid: 'not said',
  meantOffset: 'Meant so',
  faceMeant: 'Face meant',
  liftAllowed: 'Dark side may come up',
  gelOn: (light, gels) => `${light}: ${gels}`,
  forClient: 'Your day',
  when: 'When',
  what: 'What',
  where: 'Where',
  good: 'Good to know',
  clientOpening: 'This is when and where we make your pictures. Light moves, so times may shift by a little.',
  clientClosing: 'If something keeps you, tell us: we know what can wait.',
  packing: 'Packing',
  packed: (kind, name, count) => {
    const many = count > 1 ? `${count} × ` : '';
    if (kind === 'battery') return `${many}Battery for ${name}`;
    return kind === 'ballast' ? `${many}Ballast bag` : `${many}${name}`;
  },
  kilograms: (kg) => (kg < 1 ? `${Math.round(kg * 1000)} g` : `${kg.toFixed(1)} kg`),
  spare: 'spare',
  weighs: 'Weighs about',
  trips: 'Ways for one person',
  out: 'Out',
  back: 'Back',
  comes: 'Comes here',
  goesOn: 'Goes on',
  staysBehind: 'May be packed after it',
  nothingTimed: 'No setup has a time yet: give them times in the plan.',
  bring: {
    road: 'Traffic passes: stay on our side.',
    'public-way': 'Others may walk by.',
    water: 'Close to water: take care at the edge.',
    slope: 'Uneven ground: firm shoes.',
    'soft-ground': 'Soft ground: no thin heels.',
    wet: 'It may be wet: shoes that may get dirty.',
    mains: '',
    insects: 'Insects: something to keep them off.',
    heat: 'It is warm there: bring water.',
    cold: 'It is cold there: a coat between the pictures.',
    'light-sensitive': 'Tell us who does not stand flashes well.',
    infant: 'Little ones rest their eyes whenever they want.',
    'unattended-stand': 'Walk around the stands, please.',
  },
};
