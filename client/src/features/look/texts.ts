import { catalogue } from '@/language/language';
import { stopsOf } from '@/language/stopsOf';

/** What `look` says in words of its own. */
export const texts = catalogue({
  ambientStopsOverItsPlace: (stopCount: string) => `ambient ${stopsOf(stopCount)} over its place, no flash can help`,
  asAMeterHasIt: 'as a meter has it',
  background: 'Background',
  backgroundDarkFaceFlatDress: 'Background dark, face flat, dress clipped: the one cure',
  brightest: 'Brightest',
  byTheAmbientOnIt: (highlightName: string) => `${highlightName}, by the ambient on it`,
  byDialsItComesTo: (look: string) => `With the dials' own steps it comes to ${look}.`,
  byDialsItLands: (point: string, stops: string) => `With the dials' own steps the ${point} comes out at ${stops}.`,
  feelIsCarried: (stops: string) => `Feel ${stops} is carried along in all figures.`,
  keeps: (point: string, stops: string) => `${point} keeps ${stopsOf(stops)} under clipping.`,
  keepsAndBurns: (point: string, stops: string) => `${point} keeps ${stopsOf(stops)} under clipping: it burns.`,
  landsOnceMetered: (point: string) =>
    `How bright the ${point.toLowerCase()} comes out is said once face and background are metered and a camera is chosen.`,
  noRoomOver: (stops: string) =>
    `The ambient on the face lies ${stopsOf(stops)} over its place: there is no room for flash.`,
  noRoomUnder: (stops: string) =>
    `The ambient on the face lies ${stopsOf(stops)} under its place: there is no room for flash.`,
  none: 'none',
  ambientAlone: 'The light that is there, alone. Add a light when you want one: all of this stays.',
  faceSetBy: 'The face is set by',
  domeToTheLens: 'Dome to the camera',
  domeToTheLight: 'Dome to the light',
  open: 'open',
  deeper: 'deeper',
  contrastOnTheFace: 'Contrast on the face',
  contrastWished: 'Contrast wished',
  meterBothSides: 'Meter face and shadow side: then it says whether fill is needed, and what gives it.',
  fillIsNeeded: (is: string, need: string, may: string) =>
    `The shadow side lies ${is} under the lit side, ${need} more than wished; at this ISO the picture may lift it ${may}. Fill is needed.`,
  fillIsNotNeeded: (is: string, need: string, may: string) =>
    `The shadow side lies ${is} under the lit side, ${need} more than wished; at this ISO the picture may lift it ${may}. ` +
    'Fill is not needed.',
  contrastIs: (is: string, may: string) =>
    `The shadow side lies ${is} under the lit side. At this ISO the picture may lift it ${may} before noise.`,
  nothingNearer: 'Nothing at hand brings it nearer: another place or another hour.',
  waysWhy: 'Turn, step, reflector, cloth, black or a lamp, each tried here',
  waysToTheContrast: 'Ways to the contrast wished',
  faceLandsAt: (stops: string) => `Face ${stops}`,
  exposedFor: 'Exposed for',
  face: 'Face',
  faceLands: 'Face in the picture',
  feelAfterTheNumbers: 'Feel, after the numbers',
  flashShare: 'Flash share',
  headroomUnderClipping: 'Headroom under clipping',
  highlight: 'Highlight',
  matchFill: 'Match, fill',
  meterAHighlightFirst: 'meter a highlight first',
  noneMetered: 'none metered',
  somethingLooksWrong: 'Something looks wrong',
  theWholePicture: (stopsBothWays: string) => `the whole picture ${stopsBothWays}`,
  underKey: 'Under key',
  variants: 'Variants',
  underTotal: 'Under total',
  youSayTheLookAs: 'You say the look as',
});
