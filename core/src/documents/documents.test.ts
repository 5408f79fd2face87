import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { sunStand } from '../gain';
import { english } from '../english';
import { DEFAULT_PREFERENCES, gatherKit, kitItems, schemaFault } from '../gear';
import { SAMPLE_DOCUMENTS, SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { newSetup, type Setup, withSettings } from '../setup';
import { type Change, groupChanges, lastUndoable, settingChanges, undoSettings } from './change';
import { documentSchema } from './document';
import { mergeByField } from './merge';
import { migrateDocument } from './migrate';
import { enteredShootSchema } from './shoot';

const { setup } = SAMPLE_HALL;
const change = (
  number: number,
  settings: Change['settings'],
  undoes: string[] = [],
  at = `2026-02-27T15:${String(number % 60)}:00Z`,
): Change => ({ type: 'change', version: 8, id: sampleId(number), setupId: setup.id, by: null, at, settings, undoes });

describe('documents', () => {
  it('the sample shoot keeps to the schemas, every id once', () => {
    for (const document of SAMPLE_DOCUMENTS) expect(documentSchema.parse(document)).toEqual(document);
    expect(new Set(SAMPLE_DOCUMENTS.map(({ id }) => id)).size).toBe(SAMPLE_DOCUMENTS.length);
  });

  it('a new setup is a valid document', () => {
    const fresh = newSetup(
      { id: sampleId(500), shootId: sampleId(1), spotId: sampleId(2) },
      { title: 'Fresh', face: 'Face', background: 'Background' },
      null,
    );
    expect(documentSchema.safeParse(fresh).success).toBe(true);
  });

  it('kit and documents turn into each other', () => {
    const kit = gatherKit(kitItems(SAMPLE_KIT).reverse());
    expect(kit.cameras.map(({ name }) => name)).toEqual(['Dunlin, sync 1/250', 'Plover, sync 1/200']);
    expect(gatherKit(kitItems(kit))).toEqual(kit);
    expect(
      gatherKit([
        ...kitItems(kit),
        {
          type: 'preferences',
          version: 5,
          id: sampleId(600),
          ...DEFAULT_PREFERENCES,
          meterIncrement: 'third',
          distanceUnit: 'ft',
        },
      ]).preferences,
    ).toEqual({ ...DEFAULT_PREFERENCES, meterIncrement: 'third', distanceUnit: 'ft' });
  });

  it('says what is wrong with a shoot', () => {
    const wrong = enteredShootSchema.safeParse({
      ...SAMPLE_HALL.shoot,
      title: ' ',
      date: '27.2.',
      timeZone: 'Orlabach',
    });
    const issues = wrong.error === undefined ? [] : schemaFault(wrong.error).issues;
    expect(issues.map(english.schemaIssue)).toEqual([
      expect.stringContaining('name'),
      expect.stringContaining('2026-02-27'),
      expect.stringContaining('Europe/Vienna'),
    ]);
  });
});

describe('changes', () => {
  it('keep only what differs, with the value before, and taking them back restores the setup', () => {
    const settings = [
      { path: 'look.holdBackStops' as const, value: 2 },
      { path: 'camera.wantedAv' as const, value: 3 },
      { path: 'lights.0.distanceM' as const, value: 1.5 },
    ];
    const changes = settingChanges(setup, settings);
    expect(changes).toEqual([
      { path: 'look.holdBackStops', from: 1, to: 2 },
      { path: 'lights.0.distanceM', from: 2.2, to: 1.5 },
    ]);
    const changed = withSettings(setup, settings);
    expect(changed.ok && withSettings(changed.value, undoSettings(changed.value, change(701, changes)))).toEqual({
      ok: true,
      value: setup,
    });
  });

  it('are described in the terms of the gear', () => {
    const say = (
      path: Change['settings'][number]['path'],
      from: Change['settings'][number]['from'],
      to: Change['settings'][number]['to'],
    ) => english.change(change(702, [{ path, from, to }]), { setup, kit: SAMPLE_KIT }, (sun) => sunStand({ sun }));
    expect(say('look.holdBackStops', 2 / 3, 1)).toBe(
      'Hold-back: 1.0 stop under the total, flash share 50 %, was 0.7 stop under the total, flash share 37 %',
    );
    expect(say('camera.wantedAv', 3, 4)).toBe('Wanted aperture: f/4, was f/2.8');
    expect(say('camera.limits.slowestTv', null, 5)).toBe('Slowest sharp shutter: 1/30, was as in the kit');
    expect(say('meter.sv', 0, 2)).toBe('Meter ISO: ISO 400, was ISO 100');
    expect(say('camera.filterIds', [], [sampleId(131)])).toBe('Filters: ND 3 stops, was none');
    expect(say('camera.highSpeedSync', false, true)).toBe('High-speed sync: on, was off');
    expect(say('lights.0.dialledStops', null, -5)).toBe('Key A, set to: 1/32, was none');
    expect(say('lights.0.modifierId', null, sampleId(121))).toBe('Key A, modifier: Octagon 90 cm, was bare head');
    expect(say('lights.0.unitId', sampleId(999), sampleId(111))).toBe(
      'Key A, unit: Tern 400 A, was no longer in the kit',
    );
    expect(say('lights', [], setup.lights)).toBe('Lights: key Wren 60 A, was none');
    expect(say('camera.cameraId', null, sampleId(101))).toBe('Camera: Plover, sync 1/200, was none');
    expect(say('lights.0.distanceM', 2.2, 1.5)).toBe('Key A, distance: 1.5 m, was 2.2 m');
    expect(say('title', 'A', 'B')).toBe('Name: B, was A');
  });

  it('undo goes back one change after the other, over those already taken back', () => {
    const settings: Change['settings'] = [{ path: 'title', from: 'a', to: 'b' }];
    const [one, two, undo] = [change(711, settings), change(712, settings), change(713, settings, [sampleId(712)])];
    const last = (...changes: Change[]) => lastUndoable(groupChanges(changes))?.ids;
    expect(last(one, two)).toEqual([two.id]);
    expect(last(one, two, undo)).toEqual([one.id]);
    expect(last(undo)).toBeUndefined();
  });

  it('what two devices did is never one entry, and undo takes back what was done here', () => {
    const settings = (from: number, to: number): Change['settings'] => [{ path: 'camera.wantedAv', from, to }];
    const [here, there] = [
      { id: sampleId(901), name: 'Phone' },
      { id: sampleId(902), name: 'Laptop' },
    ];
    const at = (second: number) => `2026-02-27T15:00:0${second}Z`;
    const groups = groupChanges([
      { ...change(731, settings(3, 4), [], at(1)), by: here },
      { ...change(732, settings(4, 5), [], at(2)), by: there },
      { ...change(733, settings(5, 6), [], at(3)), by: there },
    ]);
    expect(groups.map(({ ids, by }) => [ids.length, by?.name])).toEqual([
      [1, 'Phone'],
      [2, 'Laptop'],
    ]);
    expect(lastUndoable(groups, ({ by }) => by?.id === here.id)?.ids).toEqual([sampleId(731)]);
    // what the other device has set since stays as it is
    const now = withSettings(setup, [{ path: 'camera.wantedAv', value: 6 }]);
    expect(now.ok && undoSettings(now.value, groups[0] ?? { settings: [] })).toEqual([]);
  });

  it('steps of one dial in one go are one entry and one undo', () => {
    const step = (number: number, from: number, to: number, second: number) =>
      change(number, [{ path: 'camera.wantedAv', from, to }], [], `2026-02-27T15:00:0${second}Z`);
    const other = change(724, [{ path: 'look.holdBackStops', from: 1, to: 2 }], [], '2026-02-27T15:00:08Z');
    const groups = groupChanges([step(721, 3, 4, 1), step(722, 4, 5, 2), step(723, 5, 6, 6), other]);
    expect(groups.map(({ ids }) => ids.length)).toEqual([3, 1]);
    const after = withSettings(setup, [{ path: 'camera.wantedAv', value: 6 }]);
    expect(after.ok && undoSettings(after.value, groups[0] ?? { settings: [] })).toEqual([
      { path: 'camera.wantedAv', value: 3 },
    ]);
  });
});

describe('merge by field', () => {
  const edit = (from: Setup, holdBackStops: number, distanceM: number): Setup => ({
    ...from,
    look: { ...from.look, holdBackStops },
    lights: from.lights.map((light) => ({ ...light, distanceM })),
  });

  it('keeps both sides when they changed different fields, inside lists too', () => {
    expect(mergeByField(setup, edit(setup, 2, 2.2), edit(setup, 1, 3))).toEqual(edit(setup, 2, 3));
  });

  it('keeps mine where both changed the same field', () => {
    expect(mergeByField(setup, edit(setup, 2, 2.2), edit(setup, 3, 2.2))).toEqual(edit(setup, 2, 2.2));
  });

  it('takes theirs when I changed nothing, mine when they did not, and agrees with itself', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (base, other) => {
        expect(mergeByField(base, base, other)).toEqual(other);
        expect(mergeByField(base, other, base)).toEqual(other);
        expect(mergeByField(base, other, other)).toEqual(other);
      }),
    );
  });
});

describe('merging lists of things', () => {
  const points = (...ids: string[]) => ids.map((id) => ({ id, name: id }));
  it('keeps what either side added, drops what one removed, keeps what the other changed meanwhile', () => {
    expect(mergeByField(points('a', 'b'), points('a', 'b', 'c'), points('a', 'b', 'd'))).toEqual(
      points('a', 'b', 'c', 'd'),
    );
    expect(mergeByField(points('a', 'b'), points('a'), points('a', 'b', 'd'))).toEqual(points('a', 'd'));
    expect(
      mergeByField(points('a', 'b'), points('a'), [
        { id: 'a', name: 'a' },
        { id: 'b', name: 'Veil' },
      ]),
    ).toEqual([
      { id: 'a', name: 'a' },
      { id: 'b', name: 'Veil' },
    ]);
  });
});

describe('documents of an earlier version', () => {
  const oldReading = {
    type: 'reading',
    version: 1,
    id: sampleId(31),
    setupId: setup.id,
    pointId: 'face',
    at: '2026-02-27T14:12:00+01:00',
    light: 'ambient',
    text: '2.8',
    av: 3,
    tv: 6,
    sv: 2,
    fired: null,
    struckAt: null,
  };
  const { confirmed: _confirmed, ...rest } = setup;
  const oldSetup = {
    ...rest,
    version: 1,
    look: { holdBackStops: 1 },
    meter: { tv: 6, sv: 2 },
    points: [
      { id: 'face', role: 'face', name: 'Face' },
      { id: 'background', role: 'background', name: 'Background' },
    ],
  };

  it('become the present one with the meaning they had', () => {
    expect(documentSchema.parse(oldReading)).toEqual({ ...SAMPLE_HALL.readings[0], stood: null });
    expect(documentSchema.parse(oldSetup)).toEqual({
      ...setup,
      plan: null,
      tests: 'each',
      meter: { ...setup.meter, av: 5 },
    });
  });

  it('what is present already, and what is no document, comes back as it is', () => {
    for (const one of [setup, SAMPLE_HALL.readings[0], null, 'x', [], { type: 'reading', version: 99 }])
      expect(migrateDocument(one)).toBe(one);
    expect(documentSchema.safeParse({ type: 'setup', version: 1, points: 'none' }).success).toBe(false);
  });
});

describe('documents from before several lights', () => {
  const { lights, ...setupNow } = SAMPLE_HALL.setup;
  const {
    lamps: _l,
    panels: _r,
    stage: _s,
    meterOrder: _a,
    reserveStops: _b,
    backgroundM: _c,
    people: _d,
    pace: _e,
    gustMps: _f,
    colour: _g,
    ...before
  } = setupNow;
  const { targets: _t, ...look } = before.look;
  const light = lights[0];

  it('a setup keeps its flash as the key, aimed at the face, where such a light usually stands', () => {
    const old = {
      ...before,
      version: 3,
      look,
      versions: [{ id: sampleId(77), name: 'Version A', look, camera: before.camera }],
      lights: [
        {
          id: light?.id,
          role: 'key',
          unitId: light?.unitId,
          modifierId: light?.modifierId,
          distanceM: 2.2,
          dialledStops: -3,
        },
      ],
    };
    const now = documentSchema.parse(old);
    expect(now).toMatchObject({
      version: 11,
      lights: [{ role: 'key', aimPointId: 'face', distanceM: 2.2, dialledStops: -3, group: 'A', locked: false }],
      people: null,
    });
    expect(now.type === 'setup' && now.variants[0]?.look.targets).toEqual([]);
  });

  it('a reading keeps what fired, as a list', () => {
    const [reading] = SAMPLE_HALL.readings;
    const fired = {
      lightId: light?.id,
      unitId: light?.unitId,
      modifierId: null,
      distanceM: 2.2,
      powerStops: -3,
      highSpeedSyncLossStops: 0,
    };
    expect(documentSchema.parse({ ...reading, version: 2, light: 'total', fired })).toMatchObject({
      version: 6,
      fired: [{ ...fired, atAim: true, gelIds: [], sideDeg: null }],
    });
    expect(documentSchema.parse({ ...reading, version: 2, fired: null })).toMatchObject({ version: 6, fired: [] });
  });

  it('gear is not retired, and cloth and bare heads get their beams', () => {
    expect(
      documentSchema.parse({
        type: 'modifier',
        version: 1,
        id: sampleId(1),
        name: 'Box',
        shape: { kind: 'round', diameterM: 1 },
        lossStops: 1,
      }),
    ).toMatchObject({ version: 2, retired: false, layers: 1, beam: { kind: 'diffuse' } });
    expect(
      documentSchema.parse({
        type: 'modifier',
        version: 1,
        id: sampleId(1),
        name: 'Grid',
        shape: { kind: 'point' },
        lossStops: 1,
      }),
    ).toMatchObject({ layers: 0, beam: { kind: 'cone' } });
    expect(
      documentSchema.parse({ type: 'filter', version: 1, id: sampleId(1), name: 'ND', lossStops: 3 }),
    ).toMatchObject({ version: 3, kind: 'nd', retired: false });
    expect(
      documentSchema.parse({
        type: 'flashUnit',
        version: 1,
        id: sampleId(1),
        name: 'F',
        output: { by: 'guideNumber', guideNumberM: 30 },
        scale: { kind: 'fraction', step: 'third', lowestStops: -7 },
        highSpeedSyncLossStops: null,
      }),
    ).toMatchObject({ version: 4, outlets: [], popsFull: null, output: { zoomMm: null } });
  });

  it('the kit comes and goes as documents, whole', () => {
    const { preferences: _p, calibration: _q, ...gear } = SAMPLE_KIT;
    expect(gatherKit(kitItems(SAMPLE_KIT))).toMatchObject(
      Object.fromEntries(
        Object.entries(gear).map(([list, things]) => [list, expect.arrayContaining(things as unknown[])]),
      ),
    );
  });

  it('changes of lights are told by role, letter and field', () => {
    const say = (path: Change['settings'][number]['path'], from: unknown, to: unknown) =>
      english.change(
        { settings: [{ path, from, to } as Change['settings'][number]] },
        { setup: SAMPLE_HALL.setup, kit: SAMPLE_KIT },
        (sun) => sunStand({ sun }),
      );
    expect(say('lights.0.gelIds', [], [sampleId(143)])).toBe('Key A, gels: ½ warm, was none');
    expect(say('lights.0.sideDeg', 40, -30)).toBe('Key A, side: 30° left, was 40° right');
    expect(say('lights.0.locked', false, true)).toBe('Key A, locked: on, was off');
    expect(say('people', null, { nearerM: 0.3, fartherM: 0.7, leftM: 1.2, rightM: 1.2, withinStops: 0.5 })).toBe(
      'The group: 2.4 m wide, 1 m deep, within 0.5 stop, was one person',
    );
    expect(say('colour.relation', 'asIs', 'coolSky')).toBe('Colour of the flash: cool sky, was gels as chosen');
    expect(say('gustMps', null, 8)).toBe('Gusts: 8 m/s, was none');
    expect(
      say(
        'look.targets',
        [{ pointId: 'gone', kind: 'value', stops: 0.5, weight: 1 }],
        [{ pointId: 'background', kind: 'value', stops: -1, weight: 1 }],
      ),
    ).toBe('Targets: Background −1.0, was a point that is gone +0.5');
  });
});
