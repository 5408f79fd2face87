import type { BackupFault, CalendarFault, IesFault, PlaceFault, PlacesFault } from '../exchange';
import type { FieldPath, Refusal } from '../documents';
import type { PartsFault, SetupFileFault } from '../formats';
import type { SchemaFault, SchemaIssue } from '../gear';
import type { FaultId } from '../photometry';
import type { SettingFault } from '../setup';
import { sentence } from './count';

/** Our own rules, each as what would be right. */
const RULES: Record<FaultId, string> = {
  'angles-rise': 'angles rise from one to the next',
  'as-many-figures': 'as many figures as things, everywhere',
  'coolest-under-warmest': 'the coolest colour is at least the warmest',
  'date-wanted': 'Write the date as year-month-day, such as 2026-02-27.',
  'farthest-under-nearest': 'the farthest person stands at least as far as the nearest',
  'figure-an-angle': 'one figure for each angle',
  'fired-or-ambient': 'a flash reading says which lights fired and how; an ambient reading has none',
  'full-energy-missing': 'a watt-second scale needs the energy of full power, such as 400',
  'full-number-missing': 'a stop-number scale needs the number of full power, such as 10',
  'keep-each-once': 'name aperture, iso and shutter, each once',
  'longest-under-shortest': 'the longest focal length is at least the shortest',
  'no-light-on-axis': 'there is light on the axis',
  'place-long': 'Keep the place under 160 letters.',
  'point-name-long': 'Keep the name under 60 letters.',
  'point-name-missing': 'Give the point a name, such as Veil.',
  'shoot-name-long': 'Keep the name under 120 letters.',
  'shoot-name-missing': 'Give the shoot a name, such as the couple or the place.',
  'spot-name-long': 'Keep the name under 120 letters.',
  'spot-name-missing': 'Give the spot a name, such as Terrace.',
  'text-broken': 'There is a character in it that cannot be kept. Type it again without it.',
  'time-zone-unknown': 'Name a time zone of the place, such as Europe/Vienna.',
  'time-zone-unknown-here': 'The shoot names a time zone that is not known here.',
};

export const rule = (id: FaultId): string => RULES[id];

const UNITS: Record<string, string> = { string: 'letters', array: 'entries', set: 'entries', map: 'entries' };

/** A figure of Zod's as text: all of those named below are texts or numbers. */
function figure(figures: SchemaIssue['figures'], key: string): string {
  const value = figures[key];
  return typeof value === 'string' || typeof value === 'number' ? `${value}` : '';
}

const listed = (values: unknown): string =>
  (Array.isArray(values) ? values : []).map((value) => JSON.stringify(value)).join(', ');

/** What a schema expects at a place. */
export function schemaIssue({ rule: own, code, figures }: SchemaIssue): string {
  if (own !== null) return RULES[own];
  const unit = UNITS[figure(figures, 'origin')];
  const inUnit = unit === undefined ? '' : ` ${unit}`;
  switch (code) {
    case 'invalid_type':
      return `A value of the kind ${figure(figures, 'expected')} is expected here.`;
    case 'too_big':
      return `At most ${figure(figures, 'maximum')}${inUnit} are possible here.`;
    case 'too_small':
      return `At least ${figure(figures, 'minimum')}${inUnit} are needed here.`;
    case 'not_multiple_of':
      return `A multiple of ${figure(figures, 'divisor')} is expected here.`;
    case 'unrecognized_keys':
      return `This is not known here: ${listed(figures['keys'])}.`;
    case 'invalid_value':
      return `One of these is expected here: ${listed(figures['values'])}.`;
    case 'invalid_format':
      return `A text of the form ${figure(figures, 'format')} is expected here.`;
    default:
      return 'What stands here is none of what is possible.';
  }
}

const pathText = (path: SchemaIssue['path']): string =>
  path.map((key, index) => (typeof key === 'number' ? `[${key}]` : index === 0 ? key : `.${key}`)).join('');

/** Everything that a schema refuses, a line each, with its place. */
export const schemaFault = ({ issues, count }: SchemaFault): string => {
  const lines = issues.map(
    (issue) => `${schemaIssue(issue)}${issue.path.length === 0 ? '' : ` → ${pathText(issue.path)}`}`,
  );
  const more = count - issues.length;
  return [...lines, ...(more > 0 ? [`And ${more} more; ${count} in all.`] : [])].join('\n');
};

export const settingFault = (fault: SettingFault): string =>
  fault.kind === 'schema' ? schemaFault(fault) : `There is no ${fault.path} to set.`;

function partsFault(fault: PartsFault): string {
  switch (fault.kind) {
    case 'other-shoot':
      return 'setup.shootId and spot.shootId must be the id of the shoot in this file';
    case 'other-spot':
      return 'setup.spotId must be the id of the spot in this file';
    case 'stray-fact':
      return `${fault.type} ${fault.id} belongs to another setup: its setupId must be ${fault.setupId}`;
  }
}

/** Why a text is no setup file. */
export function setupFileFault(fault: SetupFileFault): string {
  switch (fault.kind) {
    case 'not-json':
      return 'This is not a setup file: it is not JSON. Choose a file that Export wrote.';
    case 'too-large':
      return 'This file is too large for a setup. Choose a file that Export wrote.';
    case 'too-deep':
      return 'This is not a setup file: its parts lie too deep in each other. Choose a file that Export wrote.';
    case 'schema':
      return `This is not a setup file that Sphene can read.\n${schemaFault(fault)}`;
    case 'other-shoot':
    case 'other-spot':
    case 'stray-fact':
      return `The parts of this setup file do not belong together: ${partsFault(fault)}.`;
  }
}

/** Why a backup cannot be read; of documents that are wrong the first ones, and how many there are. */
export function backupFault(fault: BackupFault): string[] {
  switch (fault.kind) {
    case 'not-json':
      return ['This is not a backup: it is not JSON. Choose a file that Save a backup wrote.'];
    case 'too-large':
      return ['This file is too large for a backup. Choose a file that Save a backup wrote.'];
    case 'too-deep':
    case 'no-backup':
      return ['This is JSON, but no backup of Sphene. Choose a file that Save a backup wrote.'];
    case 'newer':
      return [
        `This backup is of version ${fault.version}, newer than this Sphene can read. Bring Sphene up to date, then restore it.`,
      ];
    case 'documents':
      return [
        `${fault.count === 1 ? 'One document' : `${fault.count} documents`} of this backup cannot be read, so nothing is taken from it.`,
        ...fault.told.map(({ place, fault: its }) => `Document ${place}: ${schemaFault(its)}`),
      ];
  }
}

/** Why a text is no beam, with the line that is wrong. */
export function iesFault(fault: IesFault): string {
  switch (fault.kind) {
    case 'not-ies':
      return 'This is not an IES file: it begins with IESNA:LM-63 and has a line TILT=NONE.';
    case 'tilt-missing':
      return 'Line TILT= is missing: it stands before the figures, as TILT=NONE.';
    case 'tilt':
      return `Line ${fault.line}: only TILT=NONE is read, not ${fault.text}.`;
    case 'not-a-number':
      return `Line ${fault.line}: “${fault.text}” is not a number.`;
    case 'ends-early':
      return `Line ${fault.line}: the file ends early; after TILT come 13 figures and then the angles.`;
    case 'angle-count':
      return `Line ${fault.line}: the number of ${fault.which} angles is a whole number from 1 to 721, not ${fault.count}.`;
    case 'type':
      return `Line ${fault.line}: photometric type ${fault.type} is not read; only type 1 (C) is.`;
    case 'table-short':
      return `Line ${fault.line}: the file ends early; ${fault.missing} of its ${fault.wanted} angles and candela values are missing.`;
    case 'table-long':
      return `Line ${fault.line}: there are more figures than the ${fault.vertical} by ${fault.horizontal} angles ask for.`;
    case 'angles-fall':
      return `Line ${fault.line}: vertical angles rise from one to the next.`;
    case 'not-from-axis':
      return `Line ${fault.line}: the beam is read from its axis, so that the first vertical angle is 0.`;
    case 'negative':
      return `Line ${fault.line}: a candela value is never negative.`;
    case 'no-light-on-axis':
      return `Line ${fault.line}: there is no light on the axis.`;
    case 'too-few-angles':
      return `Line ${fault.line}: a beam needs at least two vertical angles.`;
  }
}

/** Fields whose key does not say what a person calls them. */
const FIELDS: Record<string, string> = {
  title: 'Name',
  name: 'Name',
  timeZone: 'Time zone',
  meterIncrement: 'The hand meter shows',
  distanceUnit: 'Distances in',
  lookWay: 'The look is said as',
  keepOrder: 'Kept first',
  mainsHz: 'Mains frequency',
  paces: 'Distances in paces',
  forgotten: 'Teaches nothing any more',
};

/** What a field of a document is called: its own name, else its key as words. */
export function field(path: FieldPath): string {
  const key = path.findLast((part): part is string => typeof part === 'string');
  if (key === undefined) return 'All of it';
  return FIELDS[key] ?? sentence(key.replace(/([A-Z])/g, ' $1').toLowerCase());
}

/** A value of a field, short; a whole thing by its name. */
export function fieldValue(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return String(Math.round(value * 1000) / 1000);
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(fieldValue).join(', ');
  const { title, name } = value as { title?: unknown; name?: unknown };
  const own = name ?? title;
  return typeof own === 'string' ? own : 'as it was set there';
}

/** Why the server did not take a change, and what would be right. */
export function refusal(reason: Refusal): string {
  switch (reason.kind) {
    case 'document': {
      const [first] = reason.issues;
      if (first === undefined) return 'It does not keep to the form that the server knows.';
      const more = reason.count > 1 ? ` And ${reason.count - 1} more.` : '';
      return `${field(first.path)}: ${schemaIssue(first)}${more}`;
    }
    case 'fact-edited':
      return 'What was recorded cannot be changed. Strike it out and enter it anew.';
    case 'fact-deleted':
      return 'What was recorded cannot be deleted. Strike it out.';
    case 'other-type':
      return 'Something else is kept under its number.';
    case 'not-storable':
      return 'The database cannot keep it. Enter it again.';
  }
}

/** Why a text is no place, and what would be. */
export function placeFault(fault: PlaceFault): string {
  switch (fault.kind) {
    case 'not-coordinates':
      return 'No coordinates: latitude first, such as 46.93, 10.21 or 46° 55\' 48" N, 10° 12\' 36" E.';
    case 'latitude-outside':
      return `A latitude lies between −90° and 90°; this is ${fault.deg.toFixed(2)}°.`;
    case 'longitude-outside':
      return `A longitude lies between −180° and 180°; this is ${fault.deg.toFixed(2)}°.`;
  }
}

/** Why a file of places is not taken. */
export function placesFault(fault: PlacesFault): string {
  switch (fault.kind) {
    case 'too-large':
      return `This file is too large to be places: at most ${fault.mostKb / 1000} MB.`;
    case 'not-a-format':
      return 'This is neither GPX nor GeoJSON, nor a picture that says where it was made.';
    case 'damaged':
      return `This ${fault.format} file is damaged: it ends early or is not as the format has it. Nothing was changed.`;
    case 'no-places':
      return `There is no point in this ${fault.format} file.`;
    case 'outside':
      return `A point of this ${fault.format} file lies beyond the poles or the date line. Nothing was changed.`;
  }
}

/** Why a calendar file is not taken. */
export function calendarFault(fault: CalendarFault): string {
  switch (fault.kind) {
    case 'too-large':
      return `This calendar is too large: at most ${fault.mostKb / 1000} MB.`;
    case 'damaged':
      return 'This is no whole iCalendar file (.ics): it is damaged or something else. Nothing was changed.';
    case 'no-events':
      return 'There are no entries in this calendar.';
  }
}
