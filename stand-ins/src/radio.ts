import { DEVICE_PROTOCOL, type DeviceCommand, type DeviceHello, RADIO_FAULTS } from '@sphene/core/devices';
import { commandButton, devicePage } from './page';
import { endOnSignal, serveDevice } from './serveDevice';
import { SimulatedRadio } from './simulatedRadio';

const hello: DeviceHello = {
  protocol: DEVICE_PROTOCOL,
  id: 'stand-in-radio',
  kind: 'radio',
  name: 'Simulated radio',
  simulated: true,
};
const radio = new SimulatedRadio(process.env['SEED'] ?? 'sphene');
/** Where the simulated meter and camera are, to which the light of a pop travels. */
const seenBy = (process.env['SEEN_BY'] ?? '').split(',').filter((address) => address !== '');
const FAULT_NAMES = { contact: 'Lost contact', recycle: 'Not recycled', channel: 'Heads on another channel' } as const;

const shine = (pop: Extract<DeviceCommand, { type: 'pop' }>) =>
  Promise.all(
    seenBy.map((address) =>
      fetch(`${address}/`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(pop),
      }).catch(() => undefined),
    ),
  );

const heads = (): string =>
  radio.state.heads.map(({ group, powerStops }) => `${group} ${powerStops.toFixed(1)}`).join(' ');

const faultButtons = (): string[] => [
  commandButton('Nothing', { type: 'fault', fault: 'none' }, radio.fault === null),
  ...RADIO_FAULTS.map((fault) => commandButton(FAULT_NAMES[fault], { type: 'fault', fault }, radio.fault === fault)),
];

const device = await serveDevice({
  hello,
  port: Number(process.env['PORT'] ?? 4793),
  page: () =>
    devicePage(
      hello.name,
      `<output>${heads() || '–'}</output><p>Power in stops under full. What shall go wrong:</p>${faultButtons().join('')}`,
    ),
  onConnect: () => device.say(radio.state),
  onCommand(command) {
    if (command.type !== 'fire') {
      radio.obey(command);
      return device.say(radio.state);
    }
    const fired = radio.fire(command.groups);
    if ('problem' in fired) device.say({ type: 'problem', text: fired.problem });
    else void shine({ type: 'pop', flashAv: fired.pop }).then(() => device.say(radio.state));
  },
});
endOnSignal(device);
console.log(JSON.stringify({ msg: 'listening', port: device.port }));
