import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { z } from 'zod';

import { failure, isoFromSv, nFromAv, type Outcome, secondsFromTv, success } from '../photometry';
import { type LookPicture, lookPictureSchema } from '../record';
import { jsonWithin } from '../formats';

/** How a frame was made, as it lies beside its picture. */
export interface FrameSidecar {
  frame: string;
  at: string;
  shoot: string;
  spot: string;
  setup: string;
  setupId: string;
  /** as dialled; null: nobody said */
  camera: { av: number; tv: number; sv: number } | null;
  whiteBalanceK: number | null;
  lights: string[];
  look: LookPicture | null;
}

/** Why a file is no sidecar of ours. */
export type XmpFault =
  { kind: 'too-large'; mostKb: number } | { kind: 'doctype' | 'damaged' | 'too-deep' | 'not-ours' };

const MOST_LETTERS = 400_000;
const MOST_DEEP = 24;
const NAMESPACE = 'https://sphene.example/ns/frame/1/';
const VERSION = 1;

const text = z.coerce.string().max(4000);
const figure = z.coerce.number();
const listSchema = z
  .object({ 'rdf:Seq': z.object({ 'rdf:li': z.union([z.array(text).max(20), text]).optional() }).or(z.literal('')) })
  .optional();
const describedSchema = z.object({
  '@sphene:Version': figure.pipe(z.literal(VERSION)),
  '@sphene:Frame': text,
  '@sphene:At': z.iso.datetime({ offset: true }),
  '@sphene:Shoot': text,
  '@sphene:Spot': text,
  '@sphene:Setup': text,
  '@sphene:SetupId': z.uuid(),
  '@sphene:Av': figure.optional(),
  '@sphene:Tv': figure.optional(),
  '@sphene:Sv': figure.optional(),
  '@sphene:WhiteBalance': figure.optional(),
  'sphene:Lights': listSchema,
  'sphene:Look': text.max(60_000).optional(),
});

/** What no XML file may hold is left out. */
const allowed = (value: string): string =>
  value.replace(
    /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g,
    '',
  );

/** A sidecar in XMP: usual properties for other programs, and everything of it under our own names. */
export function writeXmp({ camera, whiteBalanceK, lights, look, ...named }: FrameSidecar): string {
  const exposure =
    camera === null
      ? {}
      : {
          '@exif:FNumber': `${Math.round(nFromAv(camera.av) * 10)}/10`,
          '@exif:ExposureTime': String(secondsFromTv(camera.tv)),
          '@exif:ISOSpeedRatings': String(Math.round(isoFromSv(camera.sv))),
          '@sphene:Av': camera.av,
          '@sphene:Tv': camera.tv,
          '@sphene:Sv': camera.sv,
        };
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  const told = [allowed(named.setup), ...lights.map(allowed)].join('; ');
  return builder.build({
    'x:xmpmeta': {
      '@xmlns:x': 'adobe:ns:meta/',
      'rdf:RDF': {
        '@xmlns:rdf': 'http://www.w3.org/1999/02/22-rdf-syntax-ns#',
        'rdf:Description': {
          '@rdf:about': '',
          '@xmlns:dc': 'http://purl.org/dc/elements/1.1/',
          '@xmlns:exif': 'http://ns.adobe.com/exif/1.0/',
          '@xmlns:xmp': 'http://ns.adobe.com/xap/1.0/',
          '@xmlns:sphene': NAMESPACE,
          '@xmp:CreateDate': named.at,
          '@sphene:Version': VERSION,
          '@sphene:Frame': allowed(named.frame),
          '@sphene:At': named.at,
          '@sphene:Shoot': allowed(named.shoot),
          '@sphene:Spot': allowed(named.spot),
          '@sphene:Setup': allowed(named.setup),
          '@sphene:SetupId': named.setupId,
          ...exposure,
          ...(whiteBalanceK === null ? {} : { '@sphene:WhiteBalance': whiteBalanceK }),
          'dc:description': { 'rdf:Alt': { 'rdf:li': { '@xml:lang': 'x-default', '#text': told } } },
          'sphene:Lights': { 'rdf:Seq': { 'rdf:li': lights.map(allowed) } },
          ...(look === null ? {} : { 'sphene:Look': JSON.stringify(look) }),
        },
      },
    },
  });
}

/** How deep tags lie in each other at most, told without building anything. */
function depthOf(xml: string): number {
  let [depth, deepest] = [0, 0];
  for (const [tag] of xml.matchAll(/<\/?[^!?][^>]*>/g)) {
    if (tag.startsWith('</')) depth -= 1;
    else if (!tag.endsWith('/>')) depth += 1;
    deepest = Math.max(deepest, depth);
  }
  return deepest;
}

/**
 * Reads a sidecar that was written here. What declares a document type is refused unread: entities that grow live there.
 * Other programs may have added to it; only our own names are read.
 */
export function readXmp(xml: string): Outcome<FrameSidecar, XmpFault> {
  if (xml.length > MOST_LETTERS) return failure({ kind: 'too-large', mostKb: MOST_LETTERS / 1000 });
  if (/<!(DOCTYPE|ENTITY)/i.test(xml)) return failure({ kind: 'doctype' });
  if (depthOf(xml) > MOST_DEEP) return failure({ kind: 'too-deep' });
  if (XMLValidator.validate(xml) !== true) return failure({ kind: 'damaged' });
  let described: unknown;
  try {
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      parseTagValue: false,
      parseAttributeValue: false,
      trimValues: false,
    });
    const read = z
      .object({ 'x:xmpmeta': z.object({ 'rdf:RDF': z.object({ 'rdf:Description': z.unknown() }) }) })
      .safeParse(parser.parse(xml));
    described = read.data?.['x:xmpmeta']['rdf:RDF']['rdf:Description'];
  } catch {
    return failure({ kind: 'damaged' });
  }
  const parsed = describedSchema.safeParse(described);
  if (!parsed.success) return failure({ kind: 'not-ours' });
  const own = parsed.data;
  const [av, tv, sv] = [own['@sphene:Av'], own['@sphene:Tv'], own['@sphene:Sv']];
  const seq = own['sphene:Lights']?.['rdf:Seq'];
  const li = seq === undefined || seq === '' ? [] : (seq['rdf:li'] ?? []);
  const look = own['sphene:Look'] === undefined ? null : lookIn(own['sphene:Look']);
  if (look === undefined) return failure({ kind: 'not-ours' });
  return success({
    frame: own['@sphene:Frame'],
    at: own['@sphene:At'],
    shoot: own['@sphene:Shoot'],
    spot: own['@sphene:Spot'],
    setup: own['@sphene:Setup'],
    setupId: own['@sphene:SetupId'],
    camera: av === undefined || tv === undefined || sv === undefined ? null : { av, tv, sv },
    whiteBalanceK: own['@sphene:WhiteBalance'] ?? null,
    lights: typeof li === 'string' ? [li] : li,
    look,
  });
}

/** The look that a sidecar carries; `undefined` where it is none. */
function lookIn(json: string): LookPicture | undefined {
  const read = jsonWithin(json, MOST_LETTERS);
  const parsed = lookPictureSchema.safeParse(read.ok ? read.value : null);
  return parsed.success ? parsed.data : undefined;
}
