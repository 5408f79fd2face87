export {
  type ArrangedHead,
  DEVICE_KINDS,
  DEVICE_PROTOCOL,
  type DeviceCommand,
  deviceCommandSchema,
  type DeviceEvent,
  deviceEventSchema,
  type DeviceHello,
  deviceHelloSchema,
  type DeviceKind,
  type DeviceMessage,
  deviceMessageSchemas,
  type DeviceView,
  deviceViewSchema,
  type MeterReading,
  meterReadingSchema,
  type MeterState,
  RADIO_FAULTS,
  type RadioFault,
  type RadioState,
} from './protocol';
export { seeded } from './seeded';
export { type MeterHead, TERRACE_LIGHT, trueEv100, truePlacementStops, trueSolution } from './trueScene';
