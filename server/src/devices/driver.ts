import type { DeviceCommand, DeviceHello, DeviceKind, DeviceMessage } from '@sphene/core/devices';

/** What a driver tells the gateway while a device is connected. */
export interface DriverEvents {
  /** a message of the device, checked; a picture comes with its bytes */
  message: (message: DeviceMessage, bytes?: Uint8Array) => void;
  /** something that the device should not have done; it stays connected */
  trouble: (text: string) => void;
  /** the device is gone, or was put aside for its conduct; comes once */
  gone: (text: string) => void;
}

/** A connected device. */
export interface DeviceLink {
  send: (command: DeviceCommand) => void;
  close: () => void;
}

/**
 * How the gateway reaches one kind of device. The simulated ones speak over a socket; a driver for a real one
 * implements the same and stands beside them.
 */
export interface DeviceDriver {
  readonly kind: DeviceKind;
  /** Opens the device. Rejects when it cannot be reached. */
  open: (address: string, hello: DeviceHello, events: DriverEvents) => Promise<DeviceLink>;
}
