import { catalogue } from '@/language/language';

/** What `log` says in words of its own. */
export const texts = catalogue({
  changedInTheScene: (because: string) => `Changed in the scene: ${because}.`,
  exportIt: 'Export',
  exportThisSetup: 'Export this setup',
  flashOnly: 'flash only',
  fromTheMeter: ', from the meter',
  nothingYetReadingsAndChanges: 'Nothing yet. Readings and changes of settings come here with their time.',
  putRight: ', put right',
  restore: 'Restore',
  simulatedMeter: ', simulated meter',
  strikeOut: 'Strike out',
  struckOut: ' · struck out',
  takenBack: 'Taken back. ',
  takenBack2: ' · taken back',
});
