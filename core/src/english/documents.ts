import type { FieldPath, Refusal } from '../documents';
import { sentence } from './count';
import { schemaIssue } from './faults';

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
