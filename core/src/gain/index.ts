export {
  type AmbientSource,
  ambientSources,
  type BelievedSource,
  daylightEv100,
  gainOf,
  isIndoors,
  skyEv100,
  throwsSunAtEyes,
} from './ambientSources';
export { firedAs, type LightConfig, lightConfig, type MissingGear, sameSource } from './lightConfig';
export { flashAt, lampAt } from './lightGain';
export { panelFlat, panelSize } from './panelPlace';
export {
  type Arrangement,
  AS_IT_STANDS,
  isOpening,
  receivedFrom,
  type Standing,
  standing,
  withoutSending,
} from './panels';
export { asideOf, EYES, heldAs, keySideDeg, pointPlace, type Receiver, receiverOf, turnedFrom } from './receiver';
export { seenSun, sunStand, type SunStand } from './sun';
export { aimPlace, type FlashStand, lightAxis, receiverForAim } from './stand';
