import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { z } from 'zod';

import type { SpotPlace } from '../documents';
import { failure, type Outcome, success } from '../photometry';

/** A place with what it is called; empty where it has no name. */
export interface NamedPlace {
  name: string;
  place: SpotPlace;
}

/** Why a file of places is not read. */
export type PlacesFault =
  | { kind: 'too-large'; mostKb: number }
  | { kind: 'not-a-format' }
  | { kind: 'damaged'; format: 'GPX' | 'GeoJSON' }
  | { kind: 'no-places'; format: 'GPX' | 'GeoJSON' }
  | { kind: 'outside'; format: 'GPX' | 'GeoJSON' };

const MOST_LETTERS = 4_000_000;
const MOST_PLACES = 500;
const MOST_NAME = 120;

const degreeText = z.coerce.number();
const pointSchema = z.object({ lat: degreeText, lon: degreeText, name: z.coerce.string().optional() });

const isPlace = ({ place: { latitudeDeg, longitudeDeg } }: NamedPlace): boolean =>
  Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180;

function checked(found: NamedPlace[], format: 'GPX' | 'GeoJSON'): Outcome<NamedPlace[], PlacesFault> {
  if (found.length === 0) return failure({ kind: 'no-places', format });
  if (!found.every(isPlace)) return failure({ kind: 'outside', format });
  return success(found.slice(0, MOST_PLACES));
}

const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value]);
const nodeOf = (value: unknown): Record<string, unknown> =>
  typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};

/** A document of XML as plain objects; null where it is none. What the validator lets through may still break the parser. */
function parsedXml(text: string): unknown {
  if (XMLValidator.validate(text) !== true) return null;
  try {
    return new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', parseTagValue: false }).parse(
      text,
    ) as unknown;
  } catch {
    return null;
  }
}

/** The waypoints of a GPX file; where it has none, the first point of each track and route. */
function readGpx(text: string): Outcome<NamedPlace[], PlacesFault> {
  const parsed = parsedXml(text);
  if (parsed === null) return failure({ kind: 'damaged', format: 'GPX' });
  const gpx = nodeOf(nodeOf(parsed)['gpx']);
  const starts = [
    ...listOf(gpx['trk']).map((track) => ({
      of: track,
      point: listOf(nodeOf(listOf(nodeOf(track)['trkseg'])[0])['trkpt'])[0],
    })),
    ...listOf(gpx['rte']).map((route) => ({ of: route, point: listOf(nodeOf(route)['rtept'])[0] })),
  ].map(({ of, point }) => ({ name: nodeOf(of)['name'], ...nodeOf(point) }));
  const waypoints = listOf(gpx['wpt']);
  const points = waypoints.length > 0 ? waypoints : starts;
  const read = points.map((point) => pointSchema.safeParse(point));
  if (read.some(({ success: ok }) => !ok)) return failure({ kind: 'damaged', format: 'GPX' });
  return checked(
    read.flatMap(({ data }) =>
      data === undefined ? [] : [{ name: nameOf(data.name), place: { latitudeDeg: data.lat, longitudeDeg: data.lon } }],
    ),
    'GPX',
  );
}

const nameOf = (name: unknown): string => (typeof name === 'string' ? name.trim().slice(0, MOST_NAME) : '');

const geometrySchema = z.looseObject({ type: z.string(), coordinates: z.json().optional() });
const geoSchema = z.union([
  z.looseObject({
    type: z.literal('FeatureCollection'),
    features: z.array(
      z.looseObject({
        type: z.literal('Feature'),
        properties: z.looseObject({}).nullish(),
        geometry: geometrySchema.nullable(),
      }),
    ),
  }),
  z.looseObject({
    type: z.literal('Feature'),
    properties: z.looseObject({}).nullish(),
    geometry: geometrySchema.nullable(),
  }),
  geometrySchema,
]);

/** The first pair of figures in coordinates, however deep they lie. */
function firstPair(coordinates: unknown): [number, number] | null {
  if (!Array.isArray(coordinates)) return null;
  const [first, second] = coordinates as unknown[];
  if (typeof first === 'number' && typeof second === 'number') return [first, second];
  return firstPair(first);
}

/** The points of a GeoJSON file; of lines and areas their first point. */
function readGeoJson(text: string): Outcome<NamedPlace[], PlacesFault> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return failure({ kind: 'damaged', format: 'GeoJSON' });
  }
  const read = geoSchema.safeParse(raw);
  if (!read.success) return failure({ kind: 'damaged', format: 'GeoJSON' });
  const things = 'features' in read.data && Array.isArray(read.data.features) ? read.data.features : [read.data];
  const found = things.flatMap((thing): NamedPlace[] => {
    const node = nodeOf(thing);
    const geometry = 'geometry' in node ? nodeOf(node['geometry']) : node;
    const pair = firstPair(geometry['coordinates']);
    if (pair === null) return [];
    const properties = nodeOf(node['properties']);
    const name = nameOf(properties['name'] ?? properties['title']);
    return [{ name, place: { latitudeDeg: pair[1], longitudeDeg: pair[0] } }];
  });
  return checked(found, 'GeoJSON');
}

/** Places in a file of GPX (1.0 and 1.1) or GeoJSON (RFC 7946), by what stands in it. */
export function readPlaces(text: string): Outcome<NamedPlace[], PlacesFault> {
  if (text.length > MOST_LETTERS) return failure({ kind: 'too-large', mostKb: MOST_LETTERS / 1000 });
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (start.startsWith('{')) return readGeoJson(start);
  if (/^<(\?xml|gpx)/i.test(start) && /<gpx[\s>]/i.test(start)) return readGpx(start);
  return failure({ kind: 'not-a-format' });
}

const coordinate = (deg: number): string => deg.toFixed(6);

/** Spots as waypoints of a GPX 1.1 file. */
export function writeGpx(places: readonly NamedPlace[], creator: string): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': creator,
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      wpt: places.map(({ name, place }) => ({
        '@lat': coordinate(place.latitudeDeg),
        '@lon': coordinate(place.longitudeDeg),
        name,
      })),
    },
  });
}

/** Spots as points of a GeoJSON file. */
export const writeGeoJson = (places: readonly NamedPlace[]): string =>
  JSON.stringify(
    {
      type: 'FeatureCollection',
      features: places.map(({ name, place }) => ({
        type: 'Feature',
        properties: { name },
        geometry: {
          type: 'Point',
          coordinates: [Number(coordinate(place.longitudeDeg)), Number(coordinate(place.latitudeDeg))],
        },
      })),
    },
    null,
    2,
  );
