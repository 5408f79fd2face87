import { catalogue } from '@/language/language';

/** What `review` says in words of its own. */
export const texts = catalogue({
  review: 'Review',
  nothing: 'Nothing to look back on yet: it comes with the first readings.',
  suggestions: 'For next time',
  noSuggestions: 'Nothing stands out. It went as planned.',
  gear: 'Gear against its plate',
  gearAsSaid: 'What was used gives what its plate says, as far as readings tell.',
  setups: 'Setup by setup',
  minutes: (minutes: number) => `${Math.round(minutes)} min`,
  ofPlanned: (minutes: number, planned: number) => `${Math.round(minutes)} min, planned ${planned}`,
  time: 'Time',
  pops: 'Test flashes',
  popsOf: (light: string, count: number) => `${light} ${count}`,
  none: 'none',
  remeters: 'Tested while a reading was due',
  ofTests: (stale: number, tests: number) => `${stale} of ${tests}`,
  waysOut: 'Ways out taken',
  questioned: 'Readings questioned',
  asked: (confirmed: number, open: number) =>
    open === 0 ? `${confirmed}, all answered` : `${confirmed + open}, ${open} still open`,
  openIt: 'Open',
  open: (title: string) => `Open ${title}`,

  // taste
  taste: 'Your taste',
  tasteSummary: 'what you usually choose, by kind of scene',
  tasteWhat:
    'Worked out on this device from setups that you made and tested. It is offered first in new ones and decides nothing.',
  tooFew: (least: number) => `It begins with ${least} tested setups in one kind of scene.`,
  ofSetups: (scene: string, count: number) => `${scene}, ${count} setups`,
  spread: (low: string, high: string) => `mostly ${low} to ${high}`,
  drift: 'Over months',
  driftOf: 'Figure',
  driftSaid: (rows: string) => `By month: ${rows}.`,
  month: (month: string, value: string, count: number) => `${month} ${value} (${count})`,
  oneMonth: 'There is one month so far: drift shows from the second on.',
  erase: 'Erase my taste',
  eraseWhat: 'Setups stay as they are; they only count no more for what is usual.',
  erased: 'Earlier setups do not count any more.',
  countAgain: 'Let them count again',

  // usual for you
  usual: 'Usual for you',
  usualHere: (scene: string, setups: number) => `${scene}, ${setups} setups`,
  usualLine: (name: string, median: string, low: string, high: string) => `${name} ${median}, mostly ${low} to ${high}`,
  asSet: 'It is set so.',
  take: 'Take it',
  takeUsual: 'Take what is usual for you',
});
