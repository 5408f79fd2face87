import { catalogue } from '@/language/language';

/** What `log` says in words of its own. */
export const texts = catalogue({
  changedInTheScene: (because: string) => `Changed in the scene: ${because}.`,
  exportIt: 'Export',
  exportThisSetup: 'Export this setup',
  fromTheMeter: ', from the meter',
  nothingYetReadingsAndChanges: 'Nothing yet. Readings and changes of settings come here with their time.',
  point: 'Point',
  flash: 'flash',
  lights: { ambient: 'ambient', total: 'total', flash: 'flash only' },
  firedAt: (light: string, power: string) => `${light} at ${power}`,
  settings: (aperture: string, shutter: string, iso: string) => `${aperture} at ${shutter}, ${iso}`,
  testFrame: (name: string, settings: string) => `Test frame ${name}: ${settings}`,
  restore: (what: string) => `Restore ${what}`,
  strikeOut: (what: string) => `Strike out ${what}`,
  afterNotKept: ' · not kept on this device yet',
  asked: (one: string, other: string) => `Two devices, to be settled: ${one}; or ${other}`,
  settled: (said: string) => `Settled: ${said}`,
  onDevice: (said: string, device: string) => `${said} · on ${device}`,
  afterStruckOut: ' · struck out',
  afterTakenBack: ' · taken back',
  takenBack: (what: string) => `Taken back. ${what}`,
  putRight: ', put right',
  simulatedMeter: ', simulated meter',
});
