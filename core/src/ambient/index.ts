export {
  type AmbientShares,
  ambientShares,
  blockedStops,
  isIndoors,
  panelChangeStops,
  panelEffectStops,
  thrownShare,
  thrownTowards,
} from './ambientField';
export { panelFlat, panelSize } from './panelPlace';
export { sunStand, type SunStand } from './sun';
