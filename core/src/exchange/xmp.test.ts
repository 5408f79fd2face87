import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { XMLValidator } from 'fast-xml-parser';

import { SHIPPED_LOOKS } from '../looks';
import { sampleId } from '../sample';
import { type FrameSidecar, readXmp, writeXmp } from './xmp';

const picture = Object.values(SHIPPED_LOOKS)[0]!;
const SIDECAR: FrameSidecar = {
  frame: 'ORL_4312.JPG',
  at: '2026-02-27T14:45:07.000Z',
  shoot: 'Wedding at the old funicular',
  spot: 'Lower platform',
  setup: 'Family of eleven',
  setupId: sampleId(13),
  camera: { av: 6, tv: 23 / 3, sv: 0 },
  whiteBalanceK: 5600,
  lights: ['Key A · Gannet 1000 · Octagon 90 cm · 354 Ws · 7.8 m'],
  look: picture,
};
const line = fc
  .oneof(
    fc.string({ minLength: 1, maxLength: 80 }),
    fc.constantFrom(']]>', '<a b="c">&amp;', '&lt;', "it's", '"q"', 'f/2.8 · ½'),
  )
  // white space at the ends of lines and in attributes is XML's own
  .filter((text) => text.trim() === text && !/[\t\n\r]/.test(text) && text !== '');

describe('XMP sidecars', () => {
  it('come back as they were, with any names', () => {
    fc.assert(
      fc.property(
        fc.record({
          frame: line,
          shoot: line,
          spot: line,
          setup: line,
          lights: fc.array(line, { maxLength: 6 }),
          camera: fc.option(fc.constant(SIDECAR.camera)),
          whiteBalanceK: fc.option(fc.integer({ min: 2000, max: 12_000 })),
          look: fc.option(fc.constantFrom(...Object.values(SHIPPED_LOOKS))),
        }),
        (some) => {
          const sidecar: FrameSidecar = { ...SIDECAR, ...some };
          const xml = writeXmp(sidecar);
          expect(XMLValidator.validate(xml)).toBe(true);
          expect(readXmp(xml)).toEqual({ ok: true, value: sidecar });
        },
      ),
    );
  });

  it('tell other programs the usual things in the usual places', () => {
    const xml = writeXmp(SIDECAR);
    for (const told of [
      'exif:FNumber="80/10"',
      'exif:ISOSpeedRatings="100"',
      'xmp:CreateDate="2026-02-27T14:45:07.000Z"',
    ])
      expect(xml).toContain(told);
  });

  it('leave out what no XML holds, and carry no markup of their own', () => {
    const xml = writeXmp({ ...SIDECAR, setup: 'a\u0000b\ud800c<script>alert(1)</script>' });
    expect(XMLValidator.validate(xml)).toBe(true);
    expect(xml).not.toContain('<script');
    const read = readXmp(xml);
    expect(read.ok && read.value.setup).toBe('abc<script>alert(1)</script>');
  });

  const entities = Array.from({ length: 9 }, (_, i) => `<!ENTITY b${i} "${'&a;'.repeat(10)}">`).join('');
  const bomb = `<!DOCTYPE a [<!ENTITY a "aaaaaaaaaa">${entities}]><x:xmpmeta>&b8;</x:xmpmeta>`;
  it.each([
    ['entities that grow', bomb, 'doctype'],
    ['endless depth', '<a>'.repeat(5000) + '</a>'.repeat(5000), 'too-deep'],
    ['endless length', `<a>${'x'.repeat(500_000)}</a>`, 'too-large'],
    ['no XML', 'PK\u0003\u0004', 'damaged'],
    ['a torn end', writeXmp(SIDECAR).slice(0, 900), 'damaged'],
    ['another program’s sidecar', '<x:xmpmeta><rdf:RDF><rdf:Description/></rdf:RDF></x:xmpmeta>', 'not-ours'],
    [
      'a look that is none',
      writeXmp(SIDECAR)
        .replace('"version"', '"x"')
        .replace(/&quot;wish&quot;/, '&quot;wash&quot;'),
      'not-ours',
    ],
    ['a newer version', writeXmp(SIDECAR).replace('sphene:Version="1"', 'sphene:Version="2"'), 'not-ours'],
  ])('with %s are refused', (_name, xml, kind) => {
    expect(readXmp(xml)).toMatchObject({ ok: false, reason: { kind } });
  });

  it('of any text never break the reader', () => {
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (text) => void readXmp(`<a>${text}</a>`)));
  });
});
