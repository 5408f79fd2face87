export { type Gel, gelled, gelLossStops, gelSchema, stackFor, USUAL_GELS } from './gels';
export {
  castSwatch,
  colourFromGreyCard,
  FLASH_COLOUR,
  GREEN_RANGE,
  KELVIN_RANGE,
  kelvinOf,
  type LightColour,
  linearRgb,
  miredOf,
  miredOffNeutral,
  NAMED_SOURCES,
  type NamedSource,
  sayCast,
  shiftedKelvin,
} from './mired';
