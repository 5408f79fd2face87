import ICAL from 'ical.js';

import { failure, type Outcome, success } from '../photometry';

/** One entry of a calendar. */
export interface CalendarEvent {
  uid: string;
  title: string;
  place: string;
  note: string;
  fromMs: number;
  toMs: number;
}

/** Why a calendar file is not read. */
export type CalendarFault = { kind: 'too-large'; mostKb: number } | { kind: 'damaged' } | { kind: 'no-events' };

const MOST_LETTERS = 2_000_000;
const MOST_EVENTS = 500;
const HOUR_MS = 3_600_000;

const timeOf = (ms: number) => ICAL.Time.fromJSDate(new Date(ms), true);

/** Entries as an iCalendar file (RFC 5545), times in UTC. @param madeMs when it was written */
export function writeCalendar(events: readonly CalendarEvent[], madeMs: number): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Sphene//Plan//EN');
  for (const { uid, title, place, note, fromMs, toMs } of events) {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', uid);
    event.addPropertyWithValue('dtstamp', timeOf(madeMs));
    event.addPropertyWithValue('dtstart', timeOf(fromMs));
    event.addPropertyWithValue('dtend', timeOf(toMs));
    event.addPropertyWithValue('summary', title);
    if (place !== '') event.addPropertyWithValue('location', place);
    if (note !== '') event.addPropertyWithValue('description', note);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

/** Entries of an iCalendar file; each repetition counts once, at its first time. One without an end lasts an hour. */
export function readCalendar(text: string): Outcome<CalendarEvent[], CalendarFault> {
  if (text.length > MOST_LETTERS) return failure({ kind: 'too-large', mostKb: MOST_LETTERS / 1000 });
  let events: CalendarEvent[];
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
    events = calendar.getAllSubcomponents('vevent').map((component) => {
      const event = new ICAL.Event(component);
      const fromMs = event.startDate.toJSDate().getTime();
      const toMs =
        component.hasProperty('dtend') || component.hasProperty('duration') ? event.endDate.toJSDate().getTime() : NaN;
      return {
        uid: event.uid,
        title: event.summary ?? '',
        place: event.location ?? '',
        note: event.description ?? '',
        fromMs,
        toMs: toMs >= fromMs ? toMs : fromMs + HOUR_MS,
      };
    });
  } catch {
    return failure({ kind: 'damaged' });
  }
  if (events.some(({ fromMs }) => !Number.isFinite(fromMs))) return failure({ kind: 'damaged' });
  return events.length === 0 ? failure({ kind: 'no-events' }) : success(events.slice(0, MOST_EVENTS));
}
