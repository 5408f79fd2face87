import { catalogue } from '@/language/language';

/** Everything that sheets and cards say besides what stands on them. */
export const texts = catalogue({
  cards: 'Card and sheets',
  sheets: 'Sheets',
  noSetups: 'There is no setup yet.',
  whichSheet: 'For whom',
  assistant: 'Assistant',
  second: 'Second body',
  editor: 'Editor',
  client: 'Clients',
  stageFile: 'Stage as SVG',
  link: 'On another device',
  linkSummary: 'a link and a code, taken back at will',
  linkWhat:
    'Who has the link reads this one sheet, as it changes, until the time is over or you take it back. It stands on their ' +
    'device without a network once it was open.',
  forHours: 'Open for',
  hours: (hours: number) => (hours < 48 ? `${hours} h` : `${hours / 24} days`),
  makeLink: 'Make a link',
  onlyHere:
    'Only this machine can open this link: the server was not told the address that others reach it by (PUBLIC_URL).',
  until: (when: string) => `until ${when}`,
  copyLink: 'Copy',
  copied: 'Copied.',
  notCopied: 'The browser did not let it be copied: select it and copy it by hand.',
  takeBack: 'Take back',
  takeBackIt: (sheet: string, when: string) => `Take back the link to ${sheet} ${when}`,
  takenBack: 'Taken back: nobody reads it any more.',
  noServer: 'Links need the server, and it cannot be reached now. PDFs need nobody.',
  notMade: (why: string) => `The link was not made. ${why}`,
  codeSaid: (address: string) => `A code that opens ${address}`,

  // the card as others open it
  card: 'Card',
  openingCard: 'Opening the card…',
  cardOver: 'This card is over, or was taken back. Ask for a new link.',
  cardOffline: 'There is no network, and this card was not opened on this device before.',
  cardUnreadable: 'This page is older or newer than the server. Open it anew.',
  tryAgain: 'Try again',
  live: 'Follows every change',
  kept: (when: string) => `No network: as it was at ${when}`,
  openUntil: (when: string) => `open until ${when}`,
});
