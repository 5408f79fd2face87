import { words } from '@/language/words';

import { formatDistance } from '@sphene/core/notation';
import { lightPlace, minus, wrapDeg } from '@sphene/core/scene';
import { changedPanel, type Panel, PANEL_FACTS, type Setting } from '@sphene/core/setup';
import { snapTo } from '../stageView';
import { texts } from '../texts';
import {
  angleOf,
  clamp,
  EYES,
  nudged,
  RADIANS,
  saySide,
  snappedStand,
  type StageFacts,
  type Thing,
  TURN_M,
  turnedBy,
} from './thing';

/** Windows and panels reach higher than stands, m. */
const MOST_PANEL_M = 8;

export const isOpening = (panel: Panel): boolean => PANEL_FACTS[panel.kind].opening;

/** The settings that change one panel, keeping what readings have seen of it. */
export const panelSettings = (
  { setup, now, newestReadingAt }: Pick<StageFacts, 'setup' | 'now' | 'newestReadingAt'>,
  panel: Panel,
  change: Partial<Panel>,
): Setting[] => [
  {
    path: 'panels',
    value: setup.panels.map((one) => (one.id === panel.id ? changedPanel(panel, change, now(), newestReadingAt) : one)),
  },
];

/** Every panel with the handle that turns it. */
export function panelThings(facts: StageFacts): Thing[] {
  const { setup, kit } = facts;
  const unit = kit.preferences.distanceUnit;
  return setup.panels.flatMap((panel): Thing[] => {
    const at = lightPlace(EYES, panel);
    const name = words.panelName(panel);
    const front = wrapDeg(angleOf(minus(EYES, at)) + panel.turnedDeg) * RADIANS;
    const put = (change: Partial<Panel>) => panelSettings(facts, panel, change);
    const turn = (deg: number) => put({ turnedDeg: clamp(Math.round(deg), -80, 80) });
    return [
      {
        id: `panel:${panel.id}`,
        name,
        at,
        deg: panel.sideDeg,
        faces: ['plan', 'side'],
        said: texts.overTheEyes(
          formatDistance(panel.distanceM, unit),
          saySide(panel.sideDeg),
          formatDistance(panel.heightM, unit),
        ),
        moveTo: (place, free) => put(snappedStand(place, EYES, facts, free, MOST_PANEL_M, 0.2)),
        nudge: (key, fine) => {
          const next = nudged(panel, key, fine, unit, MOST_PANEL_M, 0.2);
          return next === null ? null : put(next);
        },
      },
      {
        id: `turn:panel:${panel.id}`,
        name: texts.frontOf(name),
        deg: panel.turnedDeg,
        faces: ['plan'],
        said: panel.turnedDeg === 0 ? texts.looksAtTheFace : texts.turned(Math.abs(panel.turnedDeg)),
        at: { x: at.x - Math.sin(front) * TURN_M, y: at.y, z: at.z - Math.cos(front) * TURN_M },
        moveTo: (place, free) => {
          const deg = wrapDeg(angleOf(minus(at, place)) - angleOf(minus(EYES, at)));
          return turn(free ? deg : snapTo(deg, 5));
        },
        nudge: (key, fine) => turnedBy(key, fine, panel.turnedDeg, turn),
      },
    ];
  });
}
