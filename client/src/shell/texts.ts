import { catalogue } from '@/language/language';

/** Our own name, the same in every language. */
export const OUR_NAME = 'Sphene';

/** What `shell` says in words of its own. */
export const texts = catalogue({
  back: 'Back',
  changesWaitOnThisDevice: (waiting: number) => `${waiting} changes wait on this device and go when it is back.`,
  everythingIsKept: 'Everything is kept.',
  everythingIsSaved: 'Everything is saved',
  notHere: 'Not here',
  notSynced: 'Not synced',
  offline: 'Offline',
  onThisDevice: (waiting: number) => `${waiting} on this device`,
  opening: 'Opening.',
  saved: 'Saved',
  saving: 'Saving',
  sphene: (title: string) => `${title} · Sphene`,
  theServerHasTrouble:
    'The server answers, and not as it should. Changes are kept on this device and sent again in a while.',
  theServerIsNewer:
    'The server speaks a newer version than this page. Everything is kept on this device; open the page anew to send it.',
  theServerIsOlder:
    'The server is older than this application. Everything is kept on this device until the server is brought up to date.',
  theServerIsOutOf: 'The server is out of reach. ',
  thereIsNothingAtThis:
    'There is nothing at this address on this account. It may have been deleted, or not have arrived on this device yet.',
  thisScreenIsNotOn:
    'This screen is not on the device yet and the server cannot be reached. What you entered is kept. Connect, then try again.',
  toTheShoots: 'To the shoots',
  tryAgain: 'Try again',
});
