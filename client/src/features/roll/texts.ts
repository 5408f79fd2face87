import { catalogue } from '@/language/language';

const leftOut = (files: number): string => {
  if (files === 0) return '';
  return files === 1 ? '; 1 file says no time and was left out' : `; ${files} files say no time and were left out`;
};

/** What `roll` says in words of its own. */
export const texts = catalogue({
  roll: 'Frames of the camera',
  rollSummary: 'put to setups by their time; sidecars',
  what: 'Choose the pictures of the day. Only names and times are kept; the pictures stay where they are.',
  choose: 'Choose pictures',
  reading: (done: number, all: number) => `Reading ${done} of ${all}`,
  stop: 'Stop',
  stopped: 'Stopped: nothing was kept.',
  noTimes: 'None of these files says when it was made. Choose the pictures as the camera wrote them.',
  taken: (frames: number, without: number) => `${frames} ${frames === 1 ? 'frame' : 'frames'} kept${leftOut(without)}.`,
  tooMany: (most: number) => `More than ${most} frames of one camera: choose those of this shoot only.`,
  someCamera: 'A camera',
  framesOf: (camera: string, count: number) => `${camera}: ${count} frames`,
  perSetup: (title: string, count: number, first: string, last: string) =>
    count === 1 ? `${title}: ${first}` : `${title}: ${count}, ${first} to ${last}`,
  nowhere: (count: number) => `${count} belong to no setup: nothing was written down within six hours before them.`,
  offset: 'Its clock is ahead by',
  offsetHint: 'such as 12 s, −1:00:00',
  offsetWrong: 'Write seconds, or hours, minutes and seconds: 12, −90 s, +1:00:05.',
  offsetFrom: { assumed: 'taken for right', typed: 'as you said', code: 'from a photograph of the clock page' },
  photographed: 'Use a photograph of the clock page',
  showClock: 'Show the clock page',
  noCode: 'No clock code was found in this picture. Fill the frame with the code, and keep it sharp.',
  noTimeInPicture: 'This picture does not say when it was made.',
  otherCamera: (camera: string) => `This picture is of another camera (${camera}).`,
  found: (offset: string) => `The camera is ahead by ${offset}.`,
  remove: (camera: string) => `Remove the frames of ${camera}`,
  removeIt: 'Remove',
  sidecarsOut: 'Write sidecars',
  sidecarsIn: 'Read sidecars',
  noSidecars: 'No frame belongs to a setup yet.',
  read: (count: number) => (count === 1 ? '1 sidecar read' : `${count} sidecars read`),
  notRead: (name: string, why: string) => `${name}: ${why}`,
  more: (count: number) => `and ${count} more`,
  keepLook: 'Keep its look',
  keptLook: 'Kept among your looks.',
  frameAt: (name: string, when: string, title: string) => `${name}, ${when}: ${title}`,
  frameNowhere: (name: string, when: string) => `${name}, ${when}: nothing was written down around it.`,
  notDialled: 'nobody said what the camera stood at',
  openSetup: (title: string) => `Open ${title}`,
  open: 'Open',

  // the clock page
  clock: 'Clock for cameras',
  clockWhat: 'Photograph this page with each camera, once a day. By it, frames find their setups to the second.',
  clockCode: 'The time as a code',
});
