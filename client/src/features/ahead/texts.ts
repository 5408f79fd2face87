import { catalogue } from '@/language/language';

/** What `ahead` says in words of its own. */
export const texts = catalogue({
  theNextHour: 'The next hour',
  nothingMetered: 'Meter the ambient first: the next hour is foretold from it.',
  meterAgainIn: (what: string, minutes: string, time: string) => `Meter the ${what} again by ${time}, in ${minutes}`,
  meterAgainNow: (what: string) => `Meter the ${what} again now: it is not known within ⅓ stop`,
  holdsFor: 'Known within ⅓ stop for the whole hour',
  fromThen: (moment: string) => `From the last reading, ${moment}: nobody has metered here since.`,
  byReadings:
    'How fast light goes is known from the readings alone. Say place and time of the sun on the stage, and the ± stays small.',
  bySun: 'Level from the readings, change from the sun at this place.',
  darkFrom: (time: string) =>
    `From ${time} on the sun is too low to foretell anything: lamps about are more. Meter then.`,
  chartOf: (points: string) => `Ambient of the next hour. ${points}`,
  chartPoint: (name: string, from: string, to: string, sd: string) => `${name} from EV ${from} to ${to} ± ${sd}`,
  tableOf: 'Ambient of the next hour, minute by minute',
  time: 'Time',
  flash: 'Flash',
  level: (ev: string, sd: string) => `${ev} ± ${sd}`,
  percent: (share: string) => `${share} %`,
  whatHoldsIt: 'What holds the picture',
  whatHoldsItWhy:
    'Fewest moves that keep face and background within ⅓ stop; the flash is left alone as long as that goes.',
  nothingToMove: 'Nothing needs to be moved within the hour.',
  asSetUntil: (time: string) => `As set until ${time}`,
  endsAt: (time: string, why: string) => `Until ${time}: ${why}.`,
  untouched: 'If nothing is touched',
  leavesAt: (time: string, what: string) => `${time}: ${what}.`,
  staysIn: 'Face, background and share of flash stay within their bounds for the hour.',
  inMinutes: (minutes: string) => `${minutes} min`,
  notWithinTheHour: 'Not within the next hour, as far as it is foretold.',
  aboutAt: (time: string, soonest: string, latest: string) => `About ${time}, between ${soonest} and ${latest}.`,
  overAnHour: 'over an hour from now',
  otherThen: (name: string, how: string) => `${name} ${how}`,
  byThen: (others: string) => `By then: ${others}.`,
  takeTheSunHere: 'Take the sun of this spot',
  edgeAt: (time: string, what: string) => `${time} ${what}`,
  safeUntil: (time: string) => `safe until ${time}`,
  neverSafe: 'never safe',
  edgesSoon: 'The shade moves',
  narrowBand: 'Narrow band: two in three. Wide band: nineteen in twenty.',
});
