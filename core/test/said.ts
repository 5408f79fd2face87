import { diagnose, type NextAction, type NotHelping, type WayOut } from '../src/advice';
import type { Cure, Diagnosis } from '../src/advice/symptom';
import type { PointSolution, Warning } from '../src/balance';
import { english } from '../src/english';
import type { EqualLook, Ripple } from '../src/explain';
import type { CameraSolution } from '../src/exposure';
import type { Kit } from '../src/gear';
import type { LightSolution } from '../src/lights';
import type { Fact, MeterAgain, ReadingQuestion, Staleness } from '../src/metering';
import type { ReadText, StopAnswer } from '../src/notation';
import type { Outcome } from '../src/photometry';
import { type Setup, withSettings } from '../src/setup';
import { type Solution, solve } from '../src/solution';
import type { Placement, StageCure, StageWatch } from '../src/stage';
import type { Words, WordsContext } from '../src/words';

/**
 * A solution with its sentences laid where they stood before figures and sentences were parted: what the corpus was
 * written down in, and what `npm run solve` prints.
 */
export function said(solution: Solution, words: Words, context: WordsContext) {
  const { setup } = context;
  const { camera, second, video, dials, lights, colour, staying, group, stage } = solution;
  const { points, dome, together, ratios, look } = solution;
  const nameOf = (pointId: string) => setup.points.find(({ id }) => id === pointId)?.name ?? 'Point';
  const lightNamed = (lightId: string | null) => {
    const light = setup.lights.find(({ id }) => id === lightId);
    return light === undefined ? '' : words.light(light);
  };
  const lightInText = (lightId: string) => {
    const light = setup.lights.find(({ id }) => id === lightId);
    return light === undefined ? '' : words.lightInText(light);
  };
  const statement = (figures: Solution['look']['wanted']) =>
    figures === null ? null : { ...figures, words: words.lookInWords(figures.holdBackStops) };
  const { advice, sources, mixed, whiteBalance } = colour;
  const { stageCures, groupCures: _told, ...numbersAndAdvice } = solution;
  const { watches, ...standing } = stage;
  return {
    ...numbersAndAdvice,
    look: {
      ...look,
      wanted: statement(look.wanted),
      actual: statement(look.actual),
      highlight: look.highlight === null ? null : { ...look.highlight, name: nameOf(look.highlight.pointId) },
      tie: look.tie === null ? null : { ...look.tie, text: words.tie(look.tie) },
    },
    camera: camera === null ? null : saidCamera(camera, words),
    second:
      second === null ? null : { ...second, camera: saidCamera(second.camera, words), text: words.secondBody(second) },
    video: video === null ? null : saidVideo(solution, words, context),
    dials:
      dials === null
        ? null
        : {
            sources: dials.sources.map((source) => ({ id: source.id, name: words.dialSource(source, context) })),
            columns: dials.columns.map(({ dial, control, step, stops, settings }) => ({
              dial,
              name: words.dialControl(control),
              step: words.dialStep(step, context),
              stops,
              settings,
            })),
          },
    why: Object.fromEntries(Object.entries(solution.why).map(([key, chain]) => [key, words.why(chain, context)])),
    lights: lights.map((light) => saidLight(light, words)),
    ratios: {
      ...ratios,
      face: ratios.face === null ? null : { ...ratios.face, text: words.lightingRatio(ratios.face) },
    },
    together: together === null ? null : { ...together, pointName: nameOf(together.pointId) },
    colour: {
      whiteBalance: {
        ...whiteBalance,
        // the usual daylight came with its name
        ...(whiteBalance.because === 'daylight' ? { name: words.colourSource('daylight') } : {}),
        text: words.kelvin(whiteBalance),
        because: words.whiteBalance(whiteBalance.because),
      },
      sources: sources.map(({ source, cast, ...one }) => ({
        ...one,
        name: words.castSource(source, context),
        words: words.cast(cast),
      })),
      advice: advice.map((one) => ({ ...one, name: lightNamed(one.lightId), gelNames: words.gels(one.gelNames) })),
      warnings: mixed === null ? [] : [words.mixedColour(mixed, context)],
    },
    staying: staying === null ? null : saidStaying(staying, lightInText, words.staying(staying, context)),
    cheaper: solution.cheaper.map((one) => ({ ...words.cheaper(one, context), settings: one.settings })),
    group:
      group === null
        ? null
        : {
            ...group,
            people: group.people.map(({ id, stops }) => ({ name: words.personPlace(id), stops })),
            cures: solution.groupCures.map((cure) => ({
              id: cure.id,
              title: words.groupCure(cure, context),
              spreadStops: cure.spreadStops,
              settings: cure.settings,
            })),
          },
    lamps: solution.lamps.map((lamp) => {
      const { overAmbientStops: _over, ...rest } = lamp;
      return { ...rest, text: words.lamp(lamp, context) };
    }),
    panels: solution.panels.map((panel) => {
      const { surface: _surface, size: _size, ...rest } = panel;
      return { ...rest, name: words.panelName(panel), text: words.panel(panel) };
    }),
    stage: {
      ...standing,
      lights: stage.lights.map(({ role, group: letter, ...light }) => ({
        ...light,
        name: words.light({ role, group: letter }),
      })),
      sun: stage.sun === null ? null : { ...stage.sun, text: words.sun(stage.sun) },
      cautions: watches.map((watch) => saidWatch(watch, curesOf(stageCures, watch), words, context)),
    },
    points: points.map((point) => saidPoint(point, words, context, lightNamed)),
    dome: dome === null ? null : { ...dome, text: words.dome(dome) },
    questions: solution.questions.map((question) => saidQuestion(question, words, context)),
    meterAgain: solution.meterAgain.map((again) => saidAgain(again, words, context)),
    waysOut: solution.waysOut.map((way) => saidWay(way, words, context)),
    notHelping: solution.notHelping.map((way) => saidNotHelping(way, words, context)),
    nextAction: saidAction(solution.nextAction, words, context),
    warnings: solution.warnings.map((warning) => saidWarning(warning, words, context)),
    cautions: solution.cautions.map((caution) => words.caution(caution, context)),
  };
}

const spaced = <T extends string | null>(id: T): string | null => id?.replace('-', ' ') ?? null;

const saidCamera = (camera: CameraSolution, words: Words) => ({
  ...camera,
  missing: spaced(camera.missing),
  reason: words.cameraReason(camera),
});

function saidVideo({ video, camera }: Solution, words: Words, context: WordsContext) {
  if (video === null) return null;
  const { text, nd, flicker } = words.video(video, camera?.text.aperture ?? null, context);
  return {
    ...video,
    ndText: nd,
    flicker: video.flicker === null ? null : { ...video.flicker, text: flicker },
    text,
  };
}

function saidStaying(staying: NonNullable<Solution['staying']>, name: (lightId: string) => string, text: string) {
  const { slowestRecycleS: _slowest, plan: _plan, lights, firstOut, ...rest } = staying;
  return {
    ...rest,
    lights: lights.map((light) => ({ ...light, name: name(light.lightId) })),
    firstOut: firstOut === null ? null : { ...firstOut, name: name(firstOut.lightId) },
    text,
  };
}

function saidLight({ added, modifierName, meter, outOfRange, problem, ...light }: LightSolution, words: Words) {
  return {
    ...light,
    modifierName: words.front({ modifierName, added }),
    meter: meter === null ? null : saidMeter(meter),
    outOfRange: outOfRange === null ? null : { ...outOfRange, direction: spaced(outOfRange.direction) },
    problem: problem === null ? null : words.flashFault(problem),
  };
}
const saidMeter = ({ rangeTexts: [low, high], ...meter }: NonNullable<LightSolution['meter']>) => ({
  ...meter,
  rangeText: `${low} to ${high}`,
});

const saidStale = (stale: Staleness, words: Words) => ({
  kind: stale.kind === 'scene' ? 'scene' : 'time',
  because: words.staleness(stale),
});

export const saidAgain = (again: MeterAgain, words: Words, context: WordsContext) => ({
  pointId: again.pointId,
  settles: again.settles,
  ...saidStale(again.because, words),
  text: words.meterAgain(again, context),
});

function saidPoint(point: PointSolution, words: Words, context: WordsContext, lightNamed: (lightId: string) => string) {
  const { atCamera, basis, stale, zone, sources, ...rest } = point;
  return {
    ...rest,
    basis: spaced(basis),
    zone: spaced(zone),
    sources: sources.map((source) => ({ ...source, name: lightNamed(source.lightId) })),
    stale: stale === null ? null : saidStale(stale, words),
    atCameraText: atCamera === null ? null : words.atCamera(atCamera),
    text: words.point(point, context),
  };
}

const saidQuestion = (question: ReadingQuestion, words: Words, context: WordsContext) => ({
  id: question.id,
  kind: question.kind,
  readingId: question.readingId,
  pointId: question.pointId,
  ...words.question(question, context),
});

const curesOf = (cures: Solution['stageCures'], { kind, lightId }: StageWatch): StageCure[] =>
  cures.find((one) => one.watch === kind && one.lightId === lightId)?.moves ?? [];

function saidWatch(watch: StageWatch, cures: readonly StageCure[], words: Words, context: WordsContext) {
  return {
    kind: watch.kind === 'beam-narrow' ? 'beam-misses' : watch.kind,
    lightId: watch.lightId,
    text: words.stageWatch(watch, context),
    cures: cures.map((cure) => ({ title: words.stageMove(cure, context), settings: cure.settings })),
  };
}

function saidWay(one: WayOut, words: Words, context: WordsContext) {
  const { way: _way, price: _price, ofStops: _of, ...rest } = one;
  const { title, effect, price } = words.wayOut(one, context);
  return { ...rest, title, effect, effects: price };
}

const saidNotHelping = (one: NotHelping, words: Words, context: WordsContext) => ({
  id: one.id,
  ...words.notHelping(one, context),
});

const saidAction = (action: NextAction, words: Words, context: WordsContext) => ({
  kind: action.kind,
  step: action.step,
  settings: action.settings,
  ...words.nextAction(action, context),
});

export const saidWarning = (warning: Warning, words: Words, context: WordsContext) => ({
  kind: warning.kind,
  text: words.warning(warning, context),
});

/** A diagnosis with its sentences. */
export const saidDiagnosis = ({ symptom, byStops, found, cures }: Diagnosis, words: Words, context: WordsContext) => ({
  symptom,
  byStops,
  found: words.finding(found, context),
  cures: cures.map((cure) => saidCure(cure, words, context)),
});
const saidCure = (cure: Cure, words: Words, context: WordsContext) => ({
  ...words.cure(cure, context),
  settings: cure.settings,
  asks: cure.asks,
});

/** Another way to the same light with its sentences. */
export const saidEqualLook = (look: EqualLook, words: Words, context: WordsContext) => ({
  id: look.id,
  settings: look.settings,
  ...words.equalLook(look, context),
});

/** A placement with its sentences. */
export const saidPlacement = (placement: Placement, words: Words, context: WordsContext) => ({
  id: placement.id,
  settings: placement.settings,
  ...words.placement(placement, context),
});

/** A ripple with its sentences; null where the settings are not admissible. */
export const saidRipple = (one: Ripple | null, words: Words, context: WordsContext) =>
  one === null ? null : words.ripple(one, context);

/** An outcome as it was when a failure was a message. */
export const saidOutcome = <T, R>(outcome: Outcome<T, R>, say: (reason: R) => string) =>
  outcome.ok ? outcome : { ok: false, message: say(outcome.reason) };

/** A text that was read, with its assumptions and its question in words. */
export function saidReadText(read: ReadText, words: Words) {
  const meaning = (one: ReadText['best']) => ({
    ...one,
    assumption: one.assumption === null ? null : words.assumption(one.assumption),
  });
  const { question } = read;
  return {
    best: meaning(read.best),
    others: read.others.map(meaning),
    question: question === null ? null : { text: words.otherMeaning(read), other: meaning(question.other) },
  };
}

/** An answer of stop arithmetic in words. */
export const saidStops = (answer: StopAnswer, words: Words) => ({ ...words.stopAnswer(answer), stops: answer.stops });

/** The answer with its English sentences, as people read it. */
export const solveSaid = (setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date) =>
  said(solve(setup, kit, facts, clock), english, { setup, kit });

/** The same, with what is to be done once the camera stands as it is suggested. */
export function solveSet(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date) {
  const solution = solveSaid(setup, kit, facts, clock);
  const { kind, settings } = solution.nextAction;
  const set = kind === 'set-camera' ? withSettings(setup, settings) : null;
  return set?.ok === true ? { ...solution, nextAction: solveSaid(set.value, kit, facts, clock).nextAction } : solution;
}

/** The cures of a symptom with their English sentences. */
export const diagnoseSaid = (...asked: Parameters<typeof diagnose>) => {
  const [, setup, kit] = asked;
  return saidDiagnosis(diagnose(...asked), english, { setup, kit });
};
