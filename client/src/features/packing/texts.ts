import { catalogue } from '@/language/language';

/** What `packing` says in words of its own. */
export const texts = catalogue({
  packing: 'Packing',
  list: 'List',
  whole: 'Whole shoot',
  nothing: 'Nothing to pack yet: choose a camera and lights in a setup.',
  weighs: 'Weighs about',
  ways: 'Ways for one',
  helpers: 'Helpers',
  people: 'beside you',
  helpersNote: 'who carry and hold',
  carried: (kg: string) => `You and they bring about ${kg} in one way.`,
  goTwice: (ways: number) => `Together ${ways} ways.`,
  oneWay: 'Together one way.',
  out: 'Out',
  back: 'Back',
  tick: (what: string, thing: string) => `${what}: ${thing}`,
  spare: 'spare',
  forSetups: (titles: string) => `for ${titles}`,
  done: (out: number, back: number, all: number) => `${out} of ${all} out, ${back} back`,
  missing: (names: string) => `Not back yet: ${names}.`,
  weights: 'Weights',
  weightsSummary: 'usual ones until you say yours',
  weightOf: (thing: string) => `${thing}, kg`,
  usual: 'usual',
  weightWrong: 'Write a weight in kg between 0 and 200, such as 2.4.',
  whoHolds: 'Who holds it',
  byStand: (thing: string, stand: string) => `${thing}: ${stand}`,
  byHelper: (thing: string) => `${thing}: a helper's hand`,
  byOwnHand: (thing: string) => `${thing}: in the shoe, your own hand`,
  byNobody: (thing: string) => `${thing}: nobody`,
  handsMissing: (hands: number) =>
    hands === 1
      ? 'One hand is missing: name a stand, or bring one helper more.'
      : `${hands} hands are missing: name stands, or bring more helpers.`,
  goesOn: (names: string) => `Goes on to the next: ${names}.`,
  staysBehind: (names: string) => `May be packed after it: ${names}.`,
  comes: (names: string) => `Comes here first: ${names}.`,
});
