import { z } from 'zod';

import { POINT_ROLES, stopFields } from '../balance';
import { READ_VALUES } from '../photometry';

/** Version of the words between gateway and device; see docs/devices.md. */
export const DEVICE_PROTOCOL = 1;

export const DEVICE_KINDS = ['meter', 'camera'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** What a device says of itself when it is asked who is there. */
export const deviceHelloSchema = z.strictObject({
  protocol: z.literal(DEVICE_PROTOCOL),
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  kind: z.enum(DEVICE_KINDS),
  name: z.string().trim().min(1).max(60),
  simulated: z.boolean(),
});
export type DeviceHello = z.infer<typeof deviceHelloSchema>;

const meterSettings = {
  mode: z.enum(['ambient', 'flash']),
  read: z.enum(READ_VALUES),
  ...stopFields,
  head: z.enum(['camera', 'light', 'disc']).meta({ description: 'dome to the camera, dome to the light, or flat disc to the strongest source' }),
};
/** How a meter is set and where it is held. */
export const meterStateSchema = z.strictObject({ type: z.literal('state'), ...meterSettings, role: z.enum(POINT_ROLES), place: z.string().min(1).max(60) });
export type MeterState = z.infer<typeof meterStateSchema>;

/** One press of a meter. */
export const meterReadingSchema = z.strictObject({ type: z.literal('reading'), ...meterSettings });
export type MeterReading = z.infer<typeof meterReadingSchema>;

/** A camera announces a picture; its bytes follow in the next, binary message. */
export const cameraPictureSchema = z.strictObject({ type: z.literal('picture'), ...stopFields, bytes: z.number().int().min(1).max(40_000_000) });

const problemSchema = z.strictObject({ type: z.literal('problem'), text: z.string().min(1).max(300) });

/** Everything that a device of a kind may say. */
export const deviceMessageSchemas = {
  meter: z.discriminatedUnion('type', [meterStateSchema, meterReadingSchema, problemSchema]),
  camera: z.discriminatedUnion('type', [cameraPictureSchema, problemSchema]),
} as const;
export type DeviceMessage = z.infer<(typeof deviceMessageSchemas)[DeviceKind]>;

/** Everything that a device may be told. */
export const deviceCommandSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('hold'), role: z.enum(POINT_ROLES), place: z.string().min(1).max(60) }),
  z.strictObject({ type: z.literal('set'), mode: meterSettings.mode.optional(), read: meterSettings.read.optional(), head: meterSettings.head.optional(), av: stopFields.av.optional(), tv: stopFields.tv.optional(), sv: stopFields.sv.optional() }),
  z.strictObject({ type: z.literal('press') }),
  z.strictObject({ type: z.literal('shoot'), ...stopFields }),
]);
export type DeviceCommand = z.infer<typeof deviceCommandSchema>;

/** A device as the application lists it. */
export const deviceViewSchema = deviceHelloSchema.extend({ connectedBy: z.uuid().nullable().meta({ description: 'the page that connected it and gets its readings; null: free' }), meter: meterStateSchema.nullable() });
export type DeviceView = z.infer<typeof deviceViewSchema>;

/** What the server tells the application as it happens. */
export const deviceEventSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('devices'), devices: z.array(deviceViewSchema) }),
  z.strictObject({ type: z.literal('reading'), deviceId: z.string(), name: z.string(), simulated: z.boolean(), reading: meterReadingSchema }),
  z.strictObject({ type: z.literal('picture'), deviceId: z.string(), name: z.string(), simulated: z.boolean(), pictureId: z.uuid(), picture: cameraPictureSchema }),
  z.strictObject({ type: z.literal('trouble'), deviceId: z.string(), text: z.string() }),
]);
export type DeviceEvent = z.infer<typeof deviceEventSchema>;
