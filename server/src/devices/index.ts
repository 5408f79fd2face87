import { DeviceGateway } from './gateway';
import { socketDriver } from './socketDriver';

/** The gateway with the drivers that ship: all kinds are stand-ins on this machine so far. */
export const createGateway = (addresses: readonly string[]): DeviceGateway =>
  new DeviceGateway(addresses, {
    meter: socketDriver('meter'),
    camera: socketDriver('camera'),
    radio: socketDriver('radio'),
  });
export type { DeviceGateway };
