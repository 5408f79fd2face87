import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { readCalendar, writeCalendar } from './calendar';
import { readPlace, writePlace } from './coordinates';
import { readPlaces, writeGeoJson, writeGpx } from './places';

const placeArbitrary = fc.record({
  latitudeDeg: fc.double({ min: -90, max: 90, noNaN: true }),
  longitudeDeg: fc.double({ min: -180, max: 180, noNaN: true }),
});
const nameArbitrary = fc
  .string({ unit: 'grapheme-ascii', minLength: 1, maxLength: 40 })
  .map((name) => name.trim())
  .filter((name) => name !== '');

describe('coordinates as people paste them', () => {
  it.each([
    ['46.93, 10.21', 46.93, 10.21],
    ['46.93 10.21', 46.93, 10.21],
    ['46,93; 10,21', 46.93, 10.21],
    ['-33.92, 18.42', -33.92, 18.42],
    ['−33.92, −70.5', -33.92, -70.5],
    ['46° 55\' 48" N, 10° 12\' 36" E', 46.93, 10.21],
    ['46°55′48″N 10°12′36″E', 46.93, 10.21],
    ["46° 55.8' N 10° 12.6' E", 46.93, 10.21],
    ['N 46.93 E 10.21', 46.93, 10.21],
    ['10.21 E, 46.93 N', 46.93, 10.21],
    ['33.92 S, 18.42 W', -33.92, -18.42],
    ['0° 30\' 0" S, 0° 15\' 0" W', -0.5, -0.25],
  ])('%s', (text, latitudeDeg, longitudeDeg) => {
    const read = readPlace(text);
    if (!read.ok) throw new Error(read.reason.kind);
    expect(read.value.latitudeDeg).toBeCloseTo(latitudeDeg, 5);
    expect(read.value.longitudeDeg).toBeCloseTo(longitudeDeg, 5);
  });

  it.each([
    ['', 'not-coordinates'],
    ['Orlabach', 'not-coordinates'],
    ['46.93', 'not-coordinates'],
    ['46.93 N, 10.21 O', 'not-coordinates'],
    ['95, 10', 'latitude-outside'],
    ['46, 190', 'longitude-outside'],
  ])('"%s" is refused with its reason', (text, kind) => {
    expect(readPlace(text)).toEqual({ ok: false, reason: expect.objectContaining({ kind }) });
  });

  it('what is written is read again to a metre, and no text makes it throw', () => {
    fc.assert(
      fc.property(placeArbitrary, (place) => {
        const read = readPlace(writePlace(place));
        expect(read.ok && Math.abs(read.value.latitudeDeg - place.latitudeDeg) < 1e-5).toBe(true);
        expect(read.ok && Math.abs(read.value.longitudeDeg - place.longitudeDeg) < 1e-5).toBe(true);
      }),
    );
    fc.assert(fc.property(fc.string(), (text) => void readPlace(text)));
  });
});

describe('files of places', () => {
  const placesArbitrary = fc.array(fc.record({ name: nameArbitrary, place: placeArbitrary }), {
    minLength: 1,
    maxLength: 5,
  });

  it.each([
    ['GPX', (places: Parameters<typeof writeGeoJson>[0]) => writeGpx(places, 'Test')],
    ['GeoJSON', writeGeoJson],
  ])('%s goes round: names and places come back', (_format, write) => {
    fc.assert(
      fc.property(placesArbitrary, (places) => {
        const read = readPlaces(write(places));
        if (!read.ok) throw new Error(read.reason.kind);
        expect(read.value.map(({ name }) => name)).toEqual(places.map(({ name }) => name));
        read.value.forEach(({ place }, index) => {
          expect(place.latitudeDeg).toBeCloseTo(places[index]!.place.latitudeDeg, 5);
          expect(place.longitudeDeg).toBeCloseTo(places[index]!.place.longitudeDeg, 5);
        });
      }),
    );
  });

  it('of a track the first point is taken, under its name', () => {
    const gpx = `<?xml version="1.0"?><gpx version="1.1"><trk><name>To the terrace &amp; back</name><trkseg>
      <trkpt lat="46.9312" lon="10.2087"><ele>1420</ele></trkpt><trkpt lat="46.94" lon="10.21"/></trkseg></trk></gpx>`;
    expect(readPlaces(gpx)).toEqual({
      ok: true,
      value: [{ name: 'To the terrace & back', place: { latitudeDeg: 46.9312, longitudeDeg: 10.2087 } }],
    });
  });

  it.each([
    ['a picture', 'PNG…', { kind: 'not-a-format' }],
    ['a cut GPX file', '<?xml version="1.0"?><gpx><wpt lat="1"', { kind: 'damaged', format: 'GPX' }],
    ['a GPX file whose first line has no end', '<?xml\'version="1.0"><gpx></gpx>', { kind: 'damaged', format: 'GPX' }],
    ['a GPX point without figures', '<gpx><wpt lat="north" lon="1"/></gpx>', { kind: 'damaged', format: 'GPX' }],
    ['a GPX file without points', '<gpx version="1.1"></gpx>', { kind: 'no-places', format: 'GPX' }],
    ['a point beyond the pole', '<gpx><wpt lat="91" lon="1"/></gpx>', { kind: 'outside', format: 'GPX' }],
    ['a cut GeoJSON file', '{"type":"FeatureColl', { kind: 'damaged', format: 'GeoJSON' }],
    ['other JSON', '{"type":7}', { kind: 'damaged', format: 'GeoJSON' }],
    ['GeoJSON without points', '{"type":"FeatureCollection","features":[]}', { kind: 'no-places', format: 'GeoJSON' }],
  ])('%s is refused with its reason', (_name, text, reason) => {
    expect(readPlaces(text)).toEqual({ ok: false, reason });
  });

  it('never throws on a damaged file', () => {
    const whole = writeGpx([{ name: 'Terrace', place: { latitudeDeg: 46.93, longitudeDeg: 10.21 } }], 'Test');
    fc.assert(
      fc.property(fc.nat(whole.length - 1), fc.string({ maxLength: 4 }), (at, junk) => {
        readPlaces(whole.slice(0, at) + junk + whole.slice(at + junk.length));
      }),
      { numRuns: 1000 },
    );
  });
});

describe('calendars', () => {
  const secondArbitrary = fc.integer({ min: 0, max: 4_000_000_000 }).map((seconds) => seconds * 1000);
  const events = fc.array(
    fc.record({
      uid: fc.uuid(),
      title: nameArbitrary,
      place: nameArbitrary,
      note: nameArbitrary,
      fromMs: secondArbitrary,
      toMs: fc.constant(0),
    }),
    { minLength: 1, maxLength: 5 },
  );

  it('go round: what is written is read again', () => {
    fc.assert(
      fc.property(events, (list) => {
        const whole = list.map((event) => ({ ...event, toMs: event.fromMs + 90 * 60_000 }));
        expect(readCalendar(writeCalendar(whole, 1_700_000_000_000))).toEqual({ ok: true, value: whole });
      }),
    );
  });

  it('times with a zone of the file are read as they are there', () => {
    const text = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'BEGIN:VTIMEZONE',
      'TZID:Alps',
      'BEGIN:STANDARD',
      'DTSTART:19701025T030000',
      'TZOFFSETFROM:+0200',
      'TZOFFSETTO:+0100',
      'END:STANDARD',
      'END:VTIMEZONE',
      'BEGIN:VEVENT',
      'UID:1',
      'DTSTART;TZID=Alps:20260227T143000',
      'SUMMARY:Ceremony',
      'END:VEVENT',
      'END:VCALENDAR',
    ].join('\r\n');
    const read = readCalendar(text);
    if (!read.ok) throw new Error(read.reason.kind);
    expect(new Date(read.value[0]!.fromMs).toISOString()).toBe('2026-02-27T13:30:00.000Z');
    // without an end it lasts an hour
    expect(read.value[0]!.toMs - read.value[0]!.fromMs).toBe(3_600_000);
  });

  it.each([
    ['no calendar', 'Dear diary', 'damaged'],
    ['a cut one', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:2026', 'damaged'],
    ['an empty one', 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR', 'no-events'],
  ])('%s is refused with its reason', (_name, text, kind) => {
    expect(readCalendar(text)).toEqual({ ok: false, reason: { kind } });
  });
});
