import { catalogue } from '@/language/language';

/** Our own name, the same in every language. */
export const OUR_NAME = 'Sphene';

/** What `shell` says in words of its own. */
export const texts = catalogue({
  papers: { a4: 'A4', letter: 'Letter', pocket: 'Pocket fold' },
  printOn: (paper: string) => `PDF on ${paper}`,
  pdfFailed: 'The PDF could not be made. Try again; nothing is lost.',
  pocketHow: 'Pocket fold: print on one side of A4, fold it in half downwards, then in half to the left.',
  aCharacterCannotBeKept: 'There is a character in it that cannot be kept. Type it again without it.',
  giveItANameOf: 'Give it a name of 1 to 120 letters.',
  nameOf: (label: string) => `${label} name`,
  afterInForce: ' · used now',
  anotherDevice: 'Another device',
  back: 'Back',
  bringBack: 'Bring back',
  bringItBack: (name: string) => `Bring ${name} back`,
  canBeBroughtBack: (count: number) => `${count} can be brought back, for 30 days after it was deleted`,
  cannotBeMended: 'This cannot be mended by itself: change it where it is, or export and discard it.',
  changes: 'Changes',
  changesMade: (count: number) =>
    count === 1 ? '1 change, with where and when' : `${count} changes, with where and when`,
  choose: (text: string) => `Choose ${text}`,
  close: 'Close',
  deleted: 'Deleted',
  deletedAt: (when: string) => `deleted ${when}`,
  discard: 'Discard',
  discardIt: (name: string) => `Discard the change of ${name}`,
  entryOfTheLog: 'Entry of the log',
  exportIt: 'Export',
  exportThe: (name: string) => `Export ${name}`,
  justNow: 'just now',
  leaveIt: 'Leave it so',
  mend: 'Mend',
  mendIt: (name: string) => `Mend ${name}`,
  notTaken: (name: string) => `${name}, not taken`,
  reading: (text: string) => `Reading ${text}`,
  somethingThatIsGone: 'Something that is gone',
  takeThis: 'Take this',
  theServerDidNotTakeThese:
    'The server did not take these changes, and will not as they are. They are kept on this device; everything else ' +
    'goes on.',
  thingsToSettle: (count: number) => (count === 1 ? '1 thing to settle' : `${count} things to settle`),
  toSettle: 'To settle',
  twoDevicesChanged:
    'Two devices changed the same thing. Until you choose, the later to arrive stands everywhere. Both stay in the log.',
  twoValuesFor: (of: string) => `Two values for ${of}`,
  updateHeld: 'The new version starts as soon as all pages of Sphene on this device have been closed.',
  updateReady: 'A new version of Sphene is here.',
  takeUpdate: 'Take it',
  whoAndWhen: (who: string, when: string) => (when === '' ? who : `${who}, ${when}`),
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
  thisDeviceIsFull: 'This device is full: what you do goes to the server alone until there is room.',
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
