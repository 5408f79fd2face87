import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { XMLParser, XMLValidator } from 'fast-xml-parser';

import { anyScene, build } from '../../test/randomScene';
import { NOTHING_AROUND, type Spot, type WeatherNow } from '../documents';
import { english } from '../english';
import { SAMPLE_DOCUMENTS, SAMPLE_GROUP, SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE } from '../sample';
import type { Fact } from '../metering';
import { newLight, type Setup } from '../setup';
import { solve } from '../solution';
import { pseudo } from '../words';
import {
  assistantCard,
  clientSheet,
  clockHour,
  editorSheet,
  secondShooterSheet,
  type Sheet,
  type SheetBlock,
  type SheetFacts,
  sheetSchema,
  stageDrawing,
  stageSvg,
} from '.';

const AT = new Date('2026-02-27T14:45:00Z');
const [{ id: FIRST_STAND }] = SAMPLE_KIT.stands as [(typeof SAMPLE_KIT.stands)[number]];

const spotOf = (setup: Setup): Spot => {
  const found = SAMPLE_DOCUMENTS.find((one) => one.id === setup.spotId);
  if (found?.type !== 'spot') throw new Error('a sample setup has a spot');
  return found;
};
const factsOf = (
  { setup, readings }: { setup: Setup; readings: readonly Fact[] },
  { kit = SAMPLE_KIT, weather = null as WeatherNow | null } = {},
): SheetFacts => {
  const spot = spotOf(setup);
  const around = weather === null ? NOTHING_AROUND : { facts: spot.facts, weather };
  const numbers = solve(setup, kit, readings, AT, around);
  return { shoot: SAMPLE_HALL.shoot, spot, setup, kit, numbers, around, atMs: AT.getTime() };
};
type Thing = Extract<SheetBlock, { kind: 'thing' }>;
const thingsOf = (sheet: Sheet): Thing[] => sheet.blocks.filter((block): block is Thing => block.kind === 'thing');
const figure = (thing: Thing | undefined, label: string) => thing?.figures.find((one) => one.label === label)?.value;
const itemsOf = (sheet: Sheet, kind: 'steps' | 'cautions') =>
  sheet.blocks.flatMap((block) => (block.kind === kind ? block.items : []));
const textOf = (sheet: Sheet) => JSON.stringify(sheet);

describe('the assistant’s card', () => {
  it('says of every light what a helper needs, by hand: 7.8 m holds ¼ stop from 7.15 to 8.51 m', () => {
    const [key] = thingsOf(assistantCard(factsOf(SAMPLE_GROUP), english));
    expect(key?.mark).toBe('A');
    expect(key?.lines[0]).toBe('Gannet 1000 · Octagon 90 cm');
    expect(figure(key, 'Power')).toMatch(/Ws$/);
    expect(figure(key, 'Radio')).toBe('A · channel 1');
    expect(figure(key, 'From the face')).toBe('7.8 m');
    // 12° to the camera's right of its line: just before six o'clock seen from above
    expect(figure(key, 'Stands at')).toBe('half past 5');
    // 1.4 m over eyes at 1.6 m
    expect(figure(key, 'Middle over ground')).toBe('3 m');
    expect(figure(key, 'Within ¼ stop')).toBe('7.15 m – 8.51 m');
  });

  it('counts the clock from the camera at six', () => {
    expect([0, 90, 180, -90, -180, 45].map(clockHour)).toEqual([6, 3, 12, 9, 12, 4.5]);
  });

  it('goes from behind the people to the key, panels last, with the weight on each stand', () => {
    const rim = {
      ...newLight('019c9c00-0000-7000-8000-000000000901', 'rim', SAMPLE_KIT.flashUnits[0]!.id, 'face', []),
    };
    const [key] = SAMPLE_GROUP.setup.lights;
    const lights = [
      { ...key!, standId: FIRST_STAND },
      { ...rim, standId: FIRST_STAND, group: 'B' as const },
    ];
    const panels = SAMPLE_HALL.setup.panels.map((panel) => ({ ...panel, kind: 'reflector' as const }));
    const windy: WeatherNow = { cloud: 0, windMps: 4, gustMps: 7, rainMmH: 0, temperatureC: 1 };
    const setup = { ...SAMPLE_GROUP.setup, lights, panels };
    const card = assistantCard(factsOf({ setup, readings: SAMPLE_GROUP.readings }, { weather: windy }), english);
    expect(thingsOf(card).map(({ mark }) => mark)).toEqual(['B', 'A', 'P1']);
    const steps = itemsOf(card, 'steps');
    expect(steps[0]).toContain('for rim B');
    expect(steps[1]).toMatch(/for key A, at least \d+ kg over the tallest leg/);
    expect(steps.at(-2)).toMatch(/Panels last/);
    expect(itemsOf(card, 'cautions').join()).toMatch(/batteries/);
  });

  it('says what is meant in ten words or less, and which way the light comes from', () => {
    const cards = [SAMPLE_HALL, SAMPLE_TERRACE, SAMPLE_GROUP].map((one) => assistantCard(factsOf(one), english));
    for (const { blocks } of cards) {
      const [first] = blocks;
      if (first?.kind !== 'text') throw new Error('the card begins with what is meant');
      expect(first.text.replace(' %', '%').split(/\s+/).length).toBeLessThanOrEqual(10);
    }
  });

  it('counts in feet and paces where its owner does', () => {
    const kit = { ...SAMPLE_KIT, preferences: { ...SAMPLE_KIT.preferences, distanceUnit: 'ft' as const, paces: true } };
    const [key] = thingsOf(assistantCard(factsOf(SAMPLE_GROUP, { kit }), english));
    expect(figure(key, 'From the face')).toBe('25.6 ft, 10½ paces');
  });

  it('draws every light where the stage has it, inside its box', () => {
    const facts = factsOf(SAMPLE_TERRACE);
    const { drawing } = assistantCard(facts, english).blocks.find((block) => block.kind === 'drawing')!;
    const letters = drawing.shapes.flatMap((shape) => (shape.kind === 'letter' ? [shape] : []));
    expect(letters.map(({ text }) => text)).toEqual(['A']);
    const [at] = facts.numbers.stage.lights;
    expect(Math.sign(letters[0]!.at.x)).toBe(Math.sign(at!.at.x));
    for (const { at: spot } of letters) {
      expect(spot.x).toBeGreaterThan(drawing.box.left);
      expect(spot.x).toBeLessThan(drawing.box.right);
    }
  });

  it('keeps to its schema for any setup, in any language', () => {
    fc.assert(
      fc.property(anyScene, (scene) => {
        const [setup, readings] = build(scene);
        const kit = SAMPLE_KIT;
        const numbers = solve(setup, kit, readings, AT);
        const spot = SAMPLE_HALL.spot;
        const all: SheetFacts = {
          shoot: SAMPLE_HALL.shoot,
          spot,
          setup,
          kit,
          numbers,
          around: NOTHING_AROUND,
          atMs: AT.getTime(),
        };
        const others = pseudo(english);
        for (const words of [english, others])
          for (const sheet of [assistantCard(all, words), secondShooterSheet(all, words), editorSheet([all], words)])
            expect(sheetSchema.parse(sheet)).toEqual(sheet);
        expect(textOf(assistantCard(all, english))).not.toMatch(/NaN|undefined|null,"value"/);
      }),
      { numRuns: 60 },
    );
  });
});

describe('sheets for others', () => {
  const shoot = [factsOf(SAMPLE_HALL), factsOf(SAMPLE_GROUP)];

  it('tell a second body its own settings and what becomes of the flash', () => {
    const second = SAMPLE_KIT.cameras.find(({ id }) => id !== SAMPLE_GROUP.setup.camera.cameraId)!;
    const setup = { ...SAMPLE_GROUP.setup, camera: { ...SAMPLE_GROUP.setup.camera, secondCameraId: second.id } };
    const facts = factsOf({ setup, readings: SAMPLE_GROUP.readings });
    const sheet = secondShooterSheet(facts, english);
    expect(textOf(sheet)).toContain(second.name);
    expect(textOf(sheet)).toContain(facts.numbers.second!.camera.text.shutter);
    expect(textOf(sheet)).toContain(english.secondFollows(facts.numbers.second!));
  });

  it('tell the editor white balance, gels, what is meant and frames', () => {
    const setup = {
      ...SAMPLE_HALL.setup,
      frames: { from: '4301', to: '4388' },
      look: { ...SAMPLE_HALL.setup.look, feelStops: -0.3 },
      lights: SAMPLE_HALL.setup.lights.map((light) => ({ ...light, gelIds: [SAMPLE_KIT.gels[0]!.id] })),
    };
    const text = textOf(editorSheet([factsOf({ setup, readings: SAMPLE_HALL.readings })], english));
    for (const told of ['4301 – 4388', SAMPLE_KIT.gels[0]!.name, '−0.3 darker', ' K']) expect(text).toContain(told);
  });

  it('tell the client words and times by the spot’s clock, and no figures of the work', () => {
    const text = textOf(clientSheet(shoot, english));
    expect(text).toContain('14:30 – 15:05');
    expect(text.indexOf('Ceremony')).toBeLessThan(text.indexOf('Family'));
    expect(text).toContain('a coat between the pictures');
    expect(text).not.toMatch(/f\/|ISO|1\/\d|stop|Ws|\d m\b| K"/);
  });

  it('say so where nothing has a time yet', () => {
    const untimed = [SAMPLE_HALL].map(({ setup, readings }) => factsOf({ setup: { ...setup, plan: null }, readings }));
    expect(textOf(clientSheet(untimed, english))).toMatch(/give them times/);
  });
});

describe('the stage as SVG', () => {
  it('is well-formed with one shape for each that is drawn, and stands by itself', () => {
    const { setup, kit, numbers } = factsOf(SAMPLE_HALL);
    const drawing = stageDrawing(setup, kit, numbers, english);
    const svg = stageSvg(drawing, setup.title);
    expect(XMLValidator.validate(svg)).toBe(true);
    expect(svg.match(/<(circle|polygon|polyline|text|line)\b/g)).toHaveLength(drawing.shapes.length + 2);
    expect(svg).not.toMatch(/href|script|style|url\(/);
  });

  it('holds any title as text, never as markup', () => {
    const { setup, kit, numbers } = factsOf(SAMPLE_HALL);
    const drawing = stageDrawing(setup, kit, numbers, english);
    const nasty = fc.oneof(
      fc.string({ unit: 'binary' }),
      fc.constantFrom(
        '</title><script>alert(1)</script>',
        '"><image href="x"/>',
        ']]>',
        '\u0000\ud800&#0;',
        '<!DOCTYPE a>',
      ),
    );
    fc.assert(
      fc.property(nasty, (title) => {
        const svg = stageSvg(drawing, title);
        expect(XMLValidator.validate(svg)).toBe(true);
        const read = new XMLParser({ ignoreAttributes: false }).parse(svg) as { svg: Record<string, unknown> };
        expect(Object.keys(read.svg)).not.toContain('script');
        expect(svg.match(/<title/g)).toHaveLength(1);
      }),
    );
  });
});
