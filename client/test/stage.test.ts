import { clampZoom, fitView, fromPx, snapAngle, snapTo, toPx } from '@/features/stage/stageView';
import { stageThings, type Thing } from '@/features/stage/things';

import { SAMPLE_HALL, SAMPLE_KIT } from '@sphene/core/sample';
import { type Setup, withSettings } from '@sphene/core/setup';
import { solve } from '@sphene/core/solution';

const NOW = '2026-02-27T15:40:00Z';
const thingsOf = (setup: Setup): Thing[] =>
  stageThings({
    setup,
    kit: SAMPLE_KIT,
    numbers: solve(setup, SAMPLE_KIT, SAMPLE_HALL.readings, new Date(NOW)),
    now: () => NOW,
    newestReadingAt: '2026-02-27T13:12:00Z',
    sunRingM: 1.9,
  });
const named = (setup: Setup, name: string): Thing => {
  const found = thingsOf(setup).find((thing) => thing.name === name);
  if (found === undefined) throw new Error(`no ${name} on the stage`);
  return found;
};
const after = (setup: Setup, settings: ReturnType<Thing['moveTo']> | null): Setup => {
  const changed = withSettings(setup, settings ?? []);
  if (!changed.ok) throw new Error(changed.reason.kind);
  return changed.value;
};
const { setup } = SAMPLE_HALL;
const sunny = after(setup, [{ path: 'stage.sun', value: { by: 'hand', sideDeg: 150, altitudeDeg: 20 } }]);

describe('the view', () => {
  const places = [
    { x: -1, y: 0, z: -1 },
    { x: 1, y: 1, z: 3 },
  ];
  it.each(['plan', 'side'] as const)(
    'a spot and its place say the same, seen as %s; what is not seen stays',
    (face) => {
      const view = fitView(face, places, 340, 300, 1.5, { x: 10, y: -5 });
      const place = { x: 0.7, y: 0.4, z: 1.1 };
      const back = fromPx(view, toPx(view, place), place);
      expect([back.x, back.y, back.z]).toEqual([
        expect.closeTo(0.7, 9),
        expect.closeTo(0.4, 9),
        expect.closeTo(1.1, 9),
      ]);
    },
  );

  it('shows all places inside its margin at first, and zooms about its middle within bounds', () => {
    const view = fitView('plan', places, 340, 300, 1, { x: 0, y: 0 });
    for (const place of places) {
      const { x, y } = toPx(view, place);
      expect(Math.min(x, y, 340 - x, 300 - y)).toBeGreaterThanOrEqual(33.9);
    }
    expect([clampZoom(0.01), clampZoom(100)]).toEqual([0.5, 6]);
  });

  it('snaps distances to their step, angles to five degrees and to those that matter against the nose', () => {
    expect(snapTo(1.234, 0.1)).toBe(1.2);
    expect([snapAngle(43.9, 0), snapAngle(37, 0), snapAngle(112, 0), snapAngle(-178, 0)]).toEqual([45, 35, 110, -180]);
    expect(snapAngle(66, 20)).toBe(65); // 45° from a nose that is turned by 20
  });
});

describe('things on the stage', () => {
  it('a light that is moved to a place stands there, snapped; freely it stands just there', () => {
    const key = named(setup, 'Key A');
    const there = { x: 1.03, y: key.at.y, z: 1.31 };
    const [snapped, free] = [
      after(setup, key.moveTo(there, false)).lights[0],
      after(setup, key.moveTo(there, true)).lights[0],
    ];
    expect((snapped?.distanceM ?? 0) * 10).toBeCloseTo(Math.round((snapped?.distanceM ?? 0) * 10), 6);
    expect((snapped?.sideDeg ?? 1) % 5).toBe(0);
    expect(free?.sideDeg).toBe(Math.round((Math.atan2(1.03, 1.31) * 180) / Math.PI));
    expect(named(after(setup, key.moveTo(there, true)), 'Key A').at.x).toBeCloseTo(1.03, 1);
  });

  it('every thing answers its keys with settings that the setup takes, and other keys with nothing', () => {
    for (const thing of thingsOf(sunny)) {
      let answered = 0;
      for (const key of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'PageUp', 'PageDown', 'Home']) {
        const settings = thing.nudge(key, false);
        if (settings === null) continue;
        answered += 1;
        expect(withSettings(sunny, settings).ok).toBe(true);
      }
      expect(answered).toBeGreaterThan(0);
      expect(thing.nudge('q', false)).toBeNull();
      expect(thing.said.length).toBeGreaterThan(0);
    }
  });

  it('wherever it is dragged, a thing stays within what the setup takes', () => {
    for (const thing of thingsOf(sunny))
      for (const [x, y, z] of [
        [0, 0, 0],
        [90, 40, -90],
        [-90, -40, 90],
        [0.01, 20, 0.01],
      ] as const)
        for (const free of [true, false]) expect(withSettings(sunny, thing.moveTo({ x, y, z }, free)).ok).toBe(true);
  });

  it('the handle behind a light turns its axis, the one behind a window its front', () => {
    const axis = named(setup, 'Axis of Key A');
    expect(after(setup, axis.moveTo(axis.at, false)).lights[0]?.featherDeg).toBeCloseTo(0, 9);
    expect(after(setup, axis.nudge('ArrowRight', true)).lights[0]?.featherDeg).toBe(1);
    const front = named(setup, 'Front of Window');
    expect(after(setup, front.nudge('ArrowLeft', false)).panels[0]?.turnedDeg).toBe(-5);
    expect(after(setup, front.moveTo(front.at, false)).panels[0]?.turnedDeg).toBeCloseTo(0, 9);
  });

  it('who stands beside is turned inward or away by a handle behind them, and stays within what the setup takes', () => {
    const two = after(setup, [{ path: 'stage.subject', value: { ...setup.stage.subject, company: 'two' } }]);
    const second = named(two, 'Second person');
    // to the right of the camera, so inward is to the left
    expect([second.deg, second.said]).toEqual([-20, 'turned 20° inward']);
    expect(second.at.x).toBeGreaterThan(0.44);
    expect(after(two, second.moveTo(second.at, false)).stage.subject.othersTurnDeg).toBe(20);
    expect(after(two, second.nudge('ArrowLeft', false)).stage.subject.othersTurnDeg).toBe(25);
    const away = after(two, second.moveTo({ x: 0, y: 0, z: -0.6 }, true));
    expect(named(away, 'Second person').said).toMatch(/away$/);
    expect(named(after(two, second.nudge('Home', false)), 'Second person').said).toBe('look at the camera');
    for (const free of [true, false])
      for (const [x, z] of [
        [9, 9],
        [-9, 0],
        [0.44, -0.16],
        [0, -9],
      ] as const)
        expect(withSettings(two, second.moveTo({ x, y: 0, z }, free)).ok).toBe(true);
    const group = after(setup, [
      { path: 'people', value: { nearerM: 0.5, fartherM: 0.6, leftM: 1.1, rightM: 1.1, withinStops: 0.5 } },
    ]);
    expect(named(group, 'Others').deg).toBe(20);
    // nobody stands to the left: the handle turns them all the same
    const right = after(group, [
      { path: 'people', value: { nearerM: 0, fartherM: 1, leftM: 0, rightM: 1, withinStops: 0.5 } },
    ]);
    expect(named(after(right, named(right, 'Others').nudge('ArrowLeft', false)), 'Others').deg).toBe(-25);
    expect(thingsOf(setup).some(({ id }) => id === 'others')).toBe(false);
  });

  it('a window that is moved keeps how the readings saw it', () => {
    const moved = after(setup, named(setup, 'Window').nudge('ArrowDown', false)).panels[0];
    expect(moved).toMatchObject({ distanceM: 2.5, movedAt: NOW, before: { distanceM: 2.6 } });
  });

  it('from above the sun turns, from the side it rises', () => {
    const sun = named(sunny, 'Sun');
    expect(after(sunny, sun.moveTo({ x: 1.9, y: sun.at.y, z: 0 }, false)).stage.sun).toMatchObject({
      sideDeg: 90,
      altitudeDeg: 20,
    });
    expect(after(sunny, sun.moveTo({ x: sun.at.x, y: sun.at.y + 1, z: sun.at.z }, true)).stage.sun).toMatchObject({
      sideDeg: 150,
      altitudeDeg: 43,
    });
    expect(thingsOf(setup).some(({ id }) => id === 'sun')).toBe(false);
  });
});
