import { type UsableLight, usableLights } from '../lights';
import { formatDistance } from '../notation';
import { aimPlace, panelFlat } from '../gain';
import { lightPlace } from '../scene';
import { type Light, type LightRole, PANEL_FACTS, type Panel, type PlacedLamp } from '../setup';
import { holdsWithin, type StageLight } from '../stage';
import type { Words } from '../words';
import { clockAt, clockHour, type SheetFacts, underTitle } from './sheetFacts';
import type { Sheet, SheetBlock } from './sheet';
import { lampMark, panelMark, stageDrawing } from './stageDrawing';

/** What stands behind the people is built first, so that nobody walks through the set for it; the key comes last. */
const BUILD_ORDER: readonly LightRole[] = ['background', 'rim', 'motivated', 'fill', 'key'];
/** A move that changes less than this need not be measured again, stops. */
const HELD_STOPS = 0.25;

type Figure = { label: string; value: string };

/** A distance as this person counts it, for a helper without a tape too. */
const far = ({ kit }: SheetFacts, words: Words, distanceM: number): string => {
  const { distanceUnit, paces } = kit.preferences;
  const measured = formatDistance(distanceM, distanceUnit);
  return paces ? `${measured}, ${words.paces(distanceM)}` : measured;
};

/** Where something stands around the subject and how high its middle is. */
const standFigures = (facts: SheetFacts, words: Words, sideDeg: number, overGroundM: number): Figure[] => [
  { label: words.sheet.stands, value: words.sheet.atHour(clockHour(sideDeg)) },
  { label: words.sheet.middleOverGround, value: far(facts, words, overGroundM) },
];

/** Around the subject, whatever a light aims at: degrees from the line to the camera. */
const aroundDeg = ({ x, z }: { x: number; z: number }): number => (Math.atan2(x, z) * 180) / Math.PI;

function lightThing(facts: SheetFacts, words: Words, usable: UsableLight, at: StageLight | undefined): SheetBlock[] {
  const { setup, kit, numbers } = facts;
  const { light } = usable;
  const solved = numbers.lights.find(({ lightId }) => lightId === light.id);
  if (solved === undefined || at === undefined) return [];
  const { sheet } = words;
  const outlet = light.outlet === null ? null : usable.config.unit.outlets[light.outlet];
  const dialled = light.dialledStops === null ? null : words.power(kit, light.unitId, light.dialledStops);
  const held = holdsWithin(usable, setup, kit, HELD_STOPS);
  const stand = kit.stands.find(({ id }) => id === light.standId);
  const unit = kit.preferences.distanceUnit;
  const figures: Figure[] = [
    { label: sheet.power, value: solved.powerText ?? dialled ?? sheet.notKnown },
    { label: sheet.radio, value: sheet.groupAndChannel(light.group, light.channel) },
    { label: sheet.awayFrom(solved.aimName), value: far(facts, words, light.distanceM) },
    ...standFigures(facts, words, aroundDeg(at.at), at.overGroundM),
    { label: sheet.aim, value: sheet.aimed(solved.aimName, light.featherDeg) },
  ];
  if (light.zoomMm !== null) figures.push({ label: sheet.zoom, value: sheet.millimetres(light.zoomMm) });
  if (held !== null)
    figures.push({
      label: sheet.holds,
      value: sheet.fromTo(formatDistance(held.nearestM, unit), formatDistance(held.farthestM, unit)),
    });
  const front = words.front({ modifierName: solved.modifierName, added: solved.added });
  const lines = [
    [usable.config.unit.name, ...(outlet == null ? [] : [outlet.name]), front].join(' · '),
    stand === undefined ? sheet.noStand : stand.name,
    ...(dialled !== null && solved.powerText !== null && dialled !== solved.powerText ? [sheet.dialled(dialled)] : []),
    ...(light.placeSaid ? [] : [sheet.placeAssumed]),
  ];
  return [{ kind: 'thing', mark: light.group, title: words.lightRole(light.role).name, figures, lines }];
}

function lampThing(facts: SheetFacts, words: Words, lamp: PlacedLamp, index: number): SheetBlock {
  const { setup, kit, numbers } = facts;
  const { sheet } = words;
  const solved = numbers.lamps.find(({ id }) => id === lamp.id);
  const aim = aimPlace(setup, lamp.pointId);
  const at = lightPlace(aim, lamp);
  const aimName = setup.points.find(({ id }) => id === lamp.pointId)?.name ?? '';
  const dimStops = solved?.wish?.dimStops ?? lamp.dimStops;
  return {
    kind: 'thing',
    mark: lampMark(index),
    title: kit.lamps.find(({ id }) => id === lamp.lampId)?.name ?? sheet.lamp,
    figures: [
      { label: sheet.dimmer, value: lamp.on ? sheet.dimmedTo(dimStops) : sheet.off },
      { label: sheet.colour, value: words.kelvin({ kelvin: lamp.kelvin, greenCc: 0 }) },
      { label: sheet.awayFrom(aimName), value: far(facts, words, lamp.distanceM) },
      ...standFigures(facts, words, aroundDeg(at), at.y + setup.stage.subject.eyesM),
    ],
    lines: lamp.role === null ? [] : [words.lightRole(lamp.role).name],
  };
}

function panelThing(facts: SheetFacts, words: Words, panel: Panel, index: number): SheetBlock {
  const { setup, kit } = facts;
  const { sheet } = words;
  const { at, widthM, tallM } = panelFlat(panel, kit);
  const unit = kit.preferences.distanceUnit;
  const stand = kit.stands.find(({ id }) => id === panel.standId);
  const reflector = kit.reflectors.find(({ id }) => id === panel.reflectorId);
  const built = PANEL_FACTS[panel.kind].opening;
  return {
    kind: 'thing',
    mark: panelMark(index),
    title: words.panelName(panel),
    figures: [
      { label: sheet.awayFrom(sheet.face), value: far(facts, words, panel.distanceM) },
      ...standFigures(facts, words, aroundDeg(at), at.y + setup.stage.subject.eyesM),
      { label: sheet.size, value: sheet.widthByHeight(formatDistance(widthM, unit), formatDistance(tallM, unit)) },
    ],
    lines: [
      ...(reflector === undefined ? [] : [reflector.name]),
      ...(built ? [sheet.builtIn] : [stand === undefined ? sheet.heldByHand : stand.name]),
    ],
  };
}

/** The order in which it is put up, a step for each thing. */
function buildSteps({ setup, kit, numbers }: SheetFacts, words: Words, lights: readonly Light[]): string[] {
  const { sheet } = words;
  const weightOf = (light: Light): number | null => {
    const [one] = numbers.cautions.flatMap((caution) =>
      caution.kind === 'ballast' && caution.lightId === light.id ? [caution.kg] : [],
    );
    return one ?? null;
  };
  const standing = lights.map((light) => {
    const stand = kit.stands.find(({ id }) => id === light.standId);
    return sheet.putUp(words.lightInText(light), stand?.name ?? null, weightOf(light));
  });
  const held = setup.panels.some(({ kind }) => !PANEL_FACTS[kind].opening);
  return [
    ...standing,
    ...(setup.lamps.length === 0 ? [] : [sheet.lampsOn]),
    ...(held ? [sheet.panelsLast] : []),
    ...(lights.length === 0 ? [] : [sheet.testWithEyesClosed]),
  ];
}

/** What to be careful of: the setup's own cautions, what the spot is like, and what the stage may do. */
function cautionsOf({ setup, kit, spot, numbers }: SheetFacts, words: Words): string[] {
  const context = { setup, kit };
  return [
    ...numbers.cautions.map((caution) => words.caution(caution, context)),
    ...spot.facts.map((fact) => words.spotFact(fact).because),
  ];
}

/** When it is to stand, and how long that takes. */
function timesOf(facts: SheetFacts, words: Words): Figure[] {
  const { plan } = facts.setup;
  if (plan === null) return [];
  const { sheet } = words;
  return [
    ...(plan.startsAt === null ? [] : [{ label: sheet.firstFrame, value: clockAt(facts, Date.parse(plan.startsAt)) }]),
    { label: sheet.toBuild, value: sheet.minutes(plan.setUpMin) },
    { label: sheet.toShoot, value: sheet.minutes(plan.shootMin) },
  ];
}

/**
 * The card of a setup for who builds it: the stage as a drawing, the times, what is meant in ten words, every light, lamp
 * and panel with its figures in the order in which it is put up, and what to be careful of.
 */
export function assistantCard(facts: SheetFacts, words: Words): Sheet {
  const { setup, kit, numbers } = facts;
  const { sheet } = words;
  const usable = usableLights(setup, kit, () => undefined);
  const inOrder = BUILD_ORDER.flatMap((role) => usable.filter(({ light }) => light.role === role));
  const { camera } = numbers;
  const settings: Figure[] =
    camera === null
      ? []
      : [{ label: sheet.camera, value: [camera.text.shutter, camera.text.aperture, camera.text.iso].join(' · ') }];
  const key = inOrder.findLast(({ light }) => light.role === 'key');
  const keyAt = numbers.stage.lights.find(({ lightId }) => lightId === key?.light.id);
  const face = numbers.points.find(({ role }) => role === 'face');
  const background = numbers.points.find(({ role }) => role === 'background');
  const meant = sheet.tenWords({
    keySideDeg: keyAt === undefined ? null : aroundDeg(keyAt.at),
    softnessDeg: keyAt?.softnessDeg ?? null,
    flashShare:
      face?.totalStops == null || face.ambientStops === null ? null : 1 - 2 ** (face.ambientStops - face.totalStops),
    backgroundStops: background?.totalStops ?? null,
  });
  const steps = buildSteps(
    facts,
    words,
    inOrder.map(({ light }) => light),
  );
  const cautions = cautionsOf(facts, words);
  const blocks: SheetBlock[] = [
    { kind: 'text', text: meant },
    { kind: 'drawing', drawing: stageDrawing(setup, kit, numbers, words) },
    { kind: 'figures', figures: [...timesOf(facts, words), ...settings] },
    ...inOrder.flatMap((one) =>
      lightThing(
        facts,
        words,
        one,
        numbers.stage.lights.find(({ lightId }) => lightId === one.light.id),
      ),
    ),
    ...setup.lamps.map((lamp, index) => lampThing(facts, words, lamp, index)),
    ...setup.panels.map((panel, index) => panelThing(facts, words, panel, index)),
    { kind: 'heading', text: sheet.order },
    { kind: 'steps', items: steps },
    { kind: 'heading', text: sheet.takeCare },
    { kind: 'cautions', items: cautions },
  ];
  if (setup.note !== '') blocks.push({ kind: 'heading', text: sheet.inWords }, { kind: 'text', text: setup.note });
  return {
    language: words.tag,
    title: setup.title,
    under: underTitle(facts, words),
    blocks: blocks.filter(isSomething),
  };
}

const isSomething = (block: SheetBlock): boolean =>
  !(block.kind === 'figures' && block.figures.length === 0) &&
  !((block.kind === 'steps' || block.kind === 'cautions') && block.items.length === 0);
