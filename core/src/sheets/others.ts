import type { Words } from '../words';
import { clockAt, type SheetFacts, underTitle } from './sheetFacts';
import type { Sheet, SheetBlock } from './sheet';

const MINUTE_MS = 60_000;
type Figure = { label: string; value: string };

/** The title of a whole shoot's sheet. */
const headOf = (
  all: readonly SheetFacts[],
  words: Words,
  title: string,
): Pick<Sheet, 'language' | 'title' | 'under'> => {
  const [first] = all;
  return {
    language: words.tag,
    title,
    under: first === undefined ? '' : words.sheet.ofShoot(first.shoot.title, first.shoot.date),
  };
};

/** White balance, as it is set or suggested. */
const balanceOf = ({ numbers }: SheetFacts, words: Words): Figure => ({
  label: words.sheet.whiteBalance,
  value: words.kelvin(numbers.colour.whiteBalance),
});

/** For who makes the same picture with another body: its settings, and what becomes of the flash. */
export function secondShooterSheet(facts: SheetFacts, words: Words): Sheet {
  const { numbers, setup, kit } = facts;
  const { sheet } = words;
  const { second, camera } = numbers;
  const settings = second?.camera ?? camera;
  const body = second?.cameraName ?? kit.cameras.find(({ id }) => id === setup.camera.cameraId)?.name ?? sheet.camera;
  const figures: Figure[] =
    settings === null
      ? []
      : [
          { label: sheet.shutter, value: settings.text.shutter },
          { label: sheet.aperture, value: settings.text.aperture },
          { label: sheet.iso, value: settings.text.iso },
          ...(settings.text.filters === null ? [] : [{ label: sheet.filters, value: settings.text.filters }]),
          balanceOf(facts, words),
        ];
  const radios = numbers.lights.map((light) => {
    const channel = setup.lights[light.index]?.channel ?? 1;
    return sheet.lightOnRadio(words.light(light), sheet.groupAndChannel(light.group, channel), light.powerText);
  });
  const blocks: SheetBlock[] = [
    { kind: 'heading', text: body },
    ...(figures.length === 0
      ? [{ kind: 'text', text: sheet.noSettingsYet } as const]
      : [{ kind: 'figures', figures } as const]),
    ...(second === null ? [] : [{ kind: 'text', text: words.secondFollows(second) } as const]),
    ...radios.map((text) => ({ kind: 'text', text }) as const),
  ];
  return { language: words.tag, title: sheet.forSecondShooter(setup.title), under: underTitle(facts, words), blocks };
}

/** For who develops the pictures: by frames, the white balance, gels, what is meant, pairs in one frame, and the lift allowed. */
export function editorSheet(all: readonly SheetFacts[], words: Words): Sheet {
  const { sheet } = words;
  const blocks = all.flatMap((facts): SheetBlock[] => {
    const { setup, kit, numbers } = facts;
    const { from, to } = setup.frames;
    const gels = numbers.lights.flatMap((light) => {
      const names = (setup.lights[light.index]?.gelIds ?? []).flatMap(
        (id) => kit.gels.find((gel) => gel.id === id)?.name ?? [],
      );
      return names.length === 0 ? [] : [sheet.gelOn(words.light(light), words.gels(names))];
    });
    const { feelStops, faceStops } = setup.look;
    const figures: Figure[] = [
      { label: sheet.frames, value: from === '' ? sheet.framesNotSaid : sheet.fromTo(from, to === '' ? from : to) },
      balanceOf(facts, words),
      ...(feelStops === 0 ? [] : [{ label: sheet.meantOffset, value: words.stopsBothWays(feelStops) }]),
      ...(faceStops === 0 ? [] : [{ label: sheet.faceMeant, value: words.stopsBothWays(faceStops) }]),
      ...(numbers.lift === null ? [] : [{ label: sheet.liftAllowed, value: words.stops(numbers.lift.mayStops) }]),
    ];
    const pairs = numbers.pairs.slice(0, 2).map((pair) => words.contrastPair(pair, { setup, kit }).title);
    const [mixed] = numbers.colour.mixed === null ? [] : [words.mixedColour(numbers.colour.mixed, { setup, kit })];
    const lines = [
      ...gels,
      ...pairs,
      ...(mixed === undefined ? [] : [mixed]),
      ...(setup.note === '' ? [] : [setup.note]),
    ];
    return [
      { kind: 'heading', text: setup.title },
      { kind: 'figures', figures },
      ...lines.map((text) => ({ kind: 'text', text }) as const),
    ];
  });
  return { ...headOf(all, words, sheet.forEditor), blocks };
}

/** For who is photographed: words and times, no figures of the work. */
export function clientSheet(all: readonly SheetFacts[], words: Words): Sheet {
  const { sheet } = words;
  const timed = all.flatMap((facts) => {
    const { plan } = facts.setup;
    return plan === null || plan.startsAt === null ? [] : [{ facts, plan, startMs: Date.parse(plan.startsAt) }];
  });
  const rows = timed
    .sort((a, b) => a.startMs - b.startMs)
    .map(({ facts, plan, startMs }) => [
      sheet.fromTo(clockAt(facts, startMs), clockAt(facts, startMs + plan.shootMin * MINUTE_MS)),
      facts.setup.title,
      facts.spot.title,
      facts.spot.facts
        .map((fact) => sheet.bring[fact])
        .filter((text) => text !== '')
        .join(' '),
    ]);
  const blocks: SheetBlock[] =
    rows.length === 0
      ? [{ kind: 'text', text: sheet.nothingTimed }]
      : [
          { kind: 'text', text: sheet.clientOpening },
          { kind: 'table', head: [sheet.when, sheet.what, sheet.where, sheet.good], rows },
          { kind: 'text', text: sheet.clientClosing },
        ];
  return { ...headOf(all, words, sheet.forClient), blocks };
}
