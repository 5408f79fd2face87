import { catalogue } from '@/language/language';

/** What `setup` says in words of its own. */
export const texts = catalogue({
  afterIt: 'After it',
  back: 'Back',
  later: 'Later',
  leaveOut: 'Leave out',
  answer: 'Answer',
  choose: 'Choose',
  itIs: 'It is',
  theyAreSet: 'They are set',
  itIsMoved: 'It is moved',
  itIsSet: 'It is set',
  ladder: 'Ladder',
  log: 'Log',
  meter: 'Meter',
  openingTheSetup: 'Opening the setup.',
  partsOfTheSetup: 'Parts of the setup',
  read: 'Read',
  setup: 'Setup',
  stage: 'Stage',
  stageAndLog: 'Stage and log',
  steps: 'Steps',
  stopArithmetic: 'Stop arithmetic',
  takeTheLastThingBack: 'Take the last thing back',
  waysOut: 'Ways out',
});
