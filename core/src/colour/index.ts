export { type Gel, gelled, gelLossStops, gelSchema, stackFor } from './gels';
export {
  type Cast,
  castOf,
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
  shiftedKelvin,
} from './mired';
