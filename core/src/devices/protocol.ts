import { z } from 'zod';

import { idSchema, kitSchema, stopFields } from '../gear';
import { READ_VALUES } from '../notation';
import { lightSchema, POINT_ROLES, RADIO_GROUPS, readingSchema, setupSchema } from '../setup';

/** Version of the words between gateway and device; see docs/devices.md. */
export const DEVICE_PROTOCOL = 1;

export const DEVICE_KINDS = ['meter', 'camera', 'radio'] as const;
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
  head: z
    .enum(['camera', 'light', 'disc'])
    .meta({ description: 'dome to the camera, dome to the light, or flat disc to the strongest source' }),
};
/** How a meter is set and where it is held. */
export const meterStateSchema = z.strictObject({
  type: z.literal('state'),
  ...meterSettings,
  role: z.enum(POINT_ROLES),
  place: z.string().min(1).max(60),
});
export type MeterState = z.infer<typeof meterStateSchema>;

/** One press of a meter. */
export const meterReadingSchema = z.strictObject({ type: z.literal('reading'), ...meterSettings });
export type MeterReading = z.infer<typeof meterReadingSchema>;

/** A camera announces a picture; its bytes follow in the next, binary message. */
export const cameraPictureSchema = z.strictObject({
  type: z.literal('picture'),
  ...stopFields,
  bytes: z.number().int().min(1).max(40_000_000),
});

const { group, channel, unitId, modifierId, gridId } = lightSchema.shape;
/** One head as the application arranges it: what it is made of, its power, and the light that its stated values promise. */
export const arrangedHeadSchema = z.strictObject({
  group,
  channel,
  unitId,
  modifierId,
  gridId,
  powerStops: z.number().min(-12).max(0),
  promisedAv: z
    .partialRecord(z.enum(POINT_ROLES), z.number().min(-40).max(40))
    .meta({ description: 'aperture value at full power and ISO 100, by kind of point' }),
});
export type ArrangedHead = z.infer<typeof arrangedHeadSchema>;

/** What can be made to go wrong in a simulated radio. */
export const RADIO_FAULTS = ['contact', 'recycle', 'channel'] as const;
export type RadioFault = (typeof RADIO_FAULTS)[number];

/** How a flash radio is set: its heads, and in a simulated one the fault that is switched on. */
export const radioStateSchema = z.strictObject({
  type: z.literal('radio'),
  channel,
  heads: z.array(z.strictObject({ group, powerStops: z.number().min(-12).max(0) })).max(RADIO_GROUPS.length),
  fault: z.enum(RADIO_FAULTS).nullable(),
});
export type RadioState = z.infer<typeof radioStateSchema>;

const problemSchema = z.strictObject({ type: z.literal('problem'), text: z.string().min(1).max(300) });

/** Everything that a device of a kind may say. */
export const deviceMessageSchemas = {
  meter: z.discriminatedUnion('type', [meterStateSchema, meterReadingSchema, problemSchema]),
  camera: z.discriminatedUnion('type', [cameraPictureSchema, problemSchema]),
  radio: z.discriminatedUnion('type', [radioStateSchema, problemSchema]),
} as const;
export type DeviceMessage = z.infer<(typeof deviceMessageSchemas)[DeviceKind]>;

/** Everything that a device may be told. */
export const deviceCommandSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('hold'), role: z.enum(POINT_ROLES), place: z.string().min(1).max(60) }),
  z.strictObject({
    type: z.literal('set'),
    mode: meterSettings.mode.optional(),
    read: meterSettings.read.optional(),
    head: meterSettings.head.optional(),
    av: stopFields.av.optional(),
    tv: stopFields.tv.optional(),
    sv: stopFields.sv.optional(),
  }),
  z.strictObject({ type: z.literal('press') }),
  z
    .strictObject({
      type: z.literal('stage'),
      setup: setupSchema,
      kit: kitSchema,
      readings: z.array(readingSchema).max(1000),
    })
    .meta({
      description:
        'who and what stands before the camera: for simulated cameras only, which photograph it in their own light',
    }),
  z.strictObject({ type: z.literal('shoot'), ...stopFields }),
  z.strictObject({ type: z.literal('arrange'), channel, heads: z.array(arrangedHeadSchema).max(RADIO_GROUPS.length) }),
  z.strictObject({ type: z.literal('fire'), groups: z.array(group).min(1).max(RADIO_GROUPS.length) }),
  z.strictObject({ type: z.literal('fault'), fault: z.enum(RADIO_FAULTS).nullable() }),
  z
    .strictObject({
      type: z.literal('pop'),
      flashAv: z.partialRecord(z.enum(POINT_ROLES), z.number().min(-40).max(40)),
    })
    .meta({
      description:
        'light of a flash in the simulated scene, as aperture values at ISO 100: for simulated meters and cameras only',
    }),
]);
export type DeviceCommand = z.infer<typeof deviceCommandSchema>;

/** A device as the application lists it. */
export const deviceViewSchema = deviceHelloSchema.extend({
  connectedBy: z
    .uuid()
    .nullable()
    .meta({ description: 'the page that connected it and gets its readings; null: free' }),
  meter: meterStateSchema.nullable(),
  radio: radioStateSchema.nullable(),
});
export type DeviceView = z.infer<typeof deviceViewSchema>;

/** What the server tells the application as it happens. */
export const deviceEventSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('devices'), devices: z.array(deviceViewSchema) }),
  z.strictObject({
    type: z.literal('reading'),
    deviceId: z.string(),
    name: z.string(),
    simulated: z.boolean(),
    reading: meterReadingSchema,
  }),
  z.strictObject({
    type: z.literal('picture'),
    deviceId: z.string(),
    name: z.string(),
    simulated: z.boolean(),
    pictureId: idSchema,
    picture: cameraPictureSchema,
  }),
  z.strictObject({ type: z.literal('trouble'), deviceId: z.string(), text: z.string() }),
]);
export type DeviceEvent = z.infer<typeof deviceEventSchema>;
