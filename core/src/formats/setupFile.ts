import { z } from 'zod';

import {
  changeSchema,
  enteredShootSchema,
  type Frame,
  frameImageSchema,
  frameSchema,
  migrateDocument,
  spotSchema,
} from '../documents';
import {
  EMPTY_KIT,
  GEAR_LISTS,
  GEAR_TYPES,
  type GearList,
  type Kit,
  kitSchema,
  type SchemaFault,
  schemaFault,
} from '../gear';
import { failure, type Outcome, success } from '../photometry';
import { readingSchema, sceneChangeSchema, type Setup, setupSchema } from '../setup';
import { type JsonFault, jsonWithin } from './jsonWithin';

/** One setup with everything that its solution depends on: what *Export* writes and *Import* reads. */
export const setupFileSchema = z.strictObject({
  format: z.literal('sphene-setup'),
  version: z.literal(13),
  exportedAt: z.iso.datetime({ offset: true }),
  shoot: enteredShootSchema,
  spot: spotSchema,
  setup: setupSchema,
  kit: kitSchema.meta({ description: 'the gear that the setup uses, the filters owned, and how their owner counts' }),
  readings: z.array(readingSchema).max(5000),
  sceneChanges: z.array(sceneChangeSchema).max(5000),
  frames: z
    .array(frameSchema.extend({ image: frameImageSchema.nullable() }))
    .max(200)
    .meta({ description: 'test frames, each with its downsized copy; null: the copy was not on the device' }),
  changes: z.array(changeSchema).max(20000),
});
export type SetupFile = z.infer<typeof setupFileSchema>;

type Raw = Record<string, unknown>;
const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);
const each = (list: unknown, change: (one: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(change) : list;

/** Which version of its gear a file of a version holds. */
const GEAR_VERSIONS: Record<number, Partial<Record<GearList | 'preferences', number>>> = {
  1: { cameras: 1, flashUnits: 1, modifiers: 1, filters: 1, lamps: 1, preferences: 1 },
  2: { cameras: 1, flashUnits: 1, modifiers: 1, filters: 1, lamps: 1, preferences: 1 },
  3: { cameras: 2, lenses: 1, flashUnits: 2, modifiers: 1, filters: 2, lamps: 1, preferences: 2 },
  4: { flashUnits: 3, stands: 1, lamps: 1, preferences: 3 },
  5: { flashUnits: 3, stands: 1, lamps: 1, preferences: 3 },
  6: { flashUnits: 3, stands: 1, lamps: 1, preferences: 3 },
  7: { flashUnits: 3, stands: 1, lamps: 2, preferences: 3 },
  8: { flashUnits: 3, stands: 1, lamps: 2, preferences: 3 },
  9: { flashUnits: 3, stands: 1, lamps: 2, preferences: 3 },
  10: { flashUnits: 3, stands: 1, lamps: 2, preferences: 3 },
  11: { flashUnits: 3, stands: 1, lamps: 2, preferences: 4 },
  12: { flashUnits: 3, stands: 1, lamps: 2, preferences: 4 },
};

/** A frame keeps its picture in a file, where a device keeps it apart. */
const migrateFrame = (frame: unknown): unknown => {
  const migrated = migrateDocument(frame);
  return isRaw(frame) && isRaw(migrated) ? { ...migrated, image: frame['image'] ?? null } : frame;
};

/**
 * A thing of the kit stands in a file without its type and version: they are lent to it while it is brought up
 * to date.
 */
function migrateGear(type: string, version: number | undefined, thing: unknown): unknown {
  const migrated = isRaw(thing) && version !== undefined ? migrateDocument({ ...thing, type, version }) : thing;
  if (!isRaw(migrated)) return migrated;
  const { type: _type, version: _version, ...rest } = migrated;
  return rest;
}

/** What was learned named readings that nothing was learned from, until version 5. */
function migrateCalibration(calibration: unknown): unknown {
  if (!isRaw(calibration)) return EMPTY_KIT.calibration;
  const { outliers: _outliers, ...rest } = calibration;
  return rest;
}

/**
 * Earlier versions had neither changes of the scene nor frames (1), nor lenses and what stands with them in the
 * kit (2), nor grids, gels and stands (3); changes did not say who made them (4); there were no meters in the kit (5), and no
 * dimmers on lamps (6); no light said what it stands for (7), and nobody what is
 * dialled on the camera (8); variants did not hold everything (9), no meter said what its decimals mean (10),
 * spots were names, setups in no plan (11), and nothing was known of cold, booms, bounds and weather (12).
 */
function migrateFile(raw: unknown): unknown {
  const version = isRaw(raw) ? Number(raw['version']) : NaN;
  const versions = GEAR_VERSIONS[version];
  if (!isRaw(raw) || versions === undefined) return raw;
  const kit = isRaw(raw['kit']) ? raw['kit'] : {};
  return {
    ...raw,
    version: 13,
    spot: migrateDocument(raw['spot']),
    setup: migrateDocument(raw['setup']),
    readings: each(raw['readings'], migrateDocument),
    sceneChanges: each(raw['sceneChanges'] ?? [], migrateDocument),
    frames: each(raw['frames'] ?? [], migrateFrame),
    changes: each(raw['changes'], migrateDocument),
    kit: {
      ...EMPTY_KIT,
      ...(version >= 5 ? { calibration: migrateCalibration(kit['calibration']) } : {}),
      ...Object.fromEntries(
        GEAR_LISTS.flatMap((list) =>
          list in kit
            ? [[list, each(kit[list], (one) => migrateGear(GEAR_TYPES[list].type, versions[list], one))]]
            : [],
        ),
      ),
      preferences: migrateGear('preferences', versions.preferences, kit['preferences']),
    },
  };
}

/** All facts of a file, with what each belongs to. */
export const factsOfFile = ({ readings, sceneChanges, frames, changes }: SetupFile) => [
  ...readings,
  ...sceneChanges,
  ...frames.map(({ image: _image, ...frame }): Frame => frame),
  ...changes,
];

/** The pictures of a file's frames, by the frame's id. */
export const imagesOfFile = ({ frames }: SetupFile): Map<string, string> =>
  new Map(frames.flatMap(({ id, image }): [string, string][] => (image === null ? [] : [[id, image]])));

/** A setup file is small; anything larger is another kind of file. */
export const MAX_SETUP_FILE_BYTES = 20_000_000;

/** What the setup uses out of a whole kit; of filters, gels and grids all, since any of them may be a way out. */
export function kitInUse(setup: Setup, kit: Kit): Kit {
  const wishes = [setup.camera, ...setup.variants.map(({ camera }) => camera)];
  const uses =
    (pick: (light: Setup['lights'][number]) => string | null) =>
    ({ id }: { id: string }) =>
      setup.lights.some((light) => pick(light) === id);
  return {
    ...kit,
    cameras: kit.cameras.filter(({ id }) =>
      wishes.some(({ cameraId, secondCameraId }) => id === cameraId || id === secondCameraId),
    ),
    lenses: kit.lenses.filter(({ id }) => wishes.some(({ lensId }) => id === lensId)),
    flashUnits: kit.flashUnits.filter(uses(({ unitId }) => unitId)),
    modifiers: kit.modifiers.filter(uses(({ modifierId }) => modifierId)),
    stands: kit.stands.filter(
      (stand) => uses(({ standId }) => standId)(stand) || setup.panels.some(({ standId }) => standId === stand.id),
    ),
    lamps: kit.lamps.filter(({ id }) => setup.lamps.some(({ lampId }) => lampId === id)),
    reflectors: kit.reflectors.filter(({ id }) => setup.panels.some(({ reflectorId }) => reflectorId === id)),
  };
}

/** Writes a setup file as indented JSON with a final line break. */
export const writeSetupFile = (file: SetupFile): string => `${JSON.stringify(file, null, 2)}\n`;

/** Why a text is no setup file. */
export type SetupFileFault = JsonFault | SchemaFault | PartsFault;

/** Parts that do not belong together: an id that is not the shoot's, the spot's, or a fact of another setup. */
export type PartsFault =
  { kind: 'other-shoot' | 'other-spot' } | { kind: 'stray-fact'; type: string; id: string; setupId: string };

/** The parts must belong together, or the import would bring readings that nobody finds. */
function mismatch(file: SetupFile): PartsFault | null {
  const { shoot, spot, setup } = file;
  if (setup.shootId !== shoot.id || spot.shootId !== shoot.id) return { kind: 'other-shoot' };
  if (setup.spotId !== spot.id) return { kind: 'other-spot' };
  const stray = factsOfFile(file).find((fact) => fact.setupId !== setup.id);
  return stray === undefined ? null : { kind: 'stray-fact', type: stray.type, id: stray.id, setupId: setup.id };
}

/**
 * Reads a setup file.
 * @returns the file, or where and how it is wrong
 */
export function readSetupFile(text: string): Outcome<SetupFile, SetupFileFault> {
  const json = jsonWithin(text, MAX_SETUP_FILE_BYTES);
  if (!json.ok) return json;
  const parsed = setupFileSchema.safeParse(migrateFile(json.value));
  if (!parsed.success) return failure(schemaFault(parsed.error));
  const wrong = mismatch(parsed.data);
  return wrong === null ? success(parsed.data) : failure(wrong);
}

/** The JSON Schema of the file, generated from the Zod schema. */
export const setupFileJsonSchema = (): unknown =>
  z.toJSONSchema(setupFileSchema, { target: 'draft-2020-12', io: 'input' });

/**
 * The same file under new ids, for an account that has it already. Kit items keep theirs, so that they are not doubled.
 * @param newId makes an id (the core has no randomness of its own)
 */
export function withNewIds(file: SetupFile, newId: () => string): SetupFile {
  const ids = new Map<string, string>();
  const replaced = [file.shoot.id, file.spot.id, file.setup.id, ...factsOfFile(file).map(({ id }) => id)].sort();
  for (const id of replaced) ids.set(id, newId());
  const swap = <T extends string | null>(id: T): T => (id === null ? id : ((ids.get(id) ?? id) as T));
  return {
    ...file,
    shoot: { ...file.shoot, id: swap(file.shoot.id) },
    spot: { ...file.spot, id: swap(file.spot.id), shootId: swap(file.spot.shootId) },
    setup: {
      ...file.setup,
      id: swap(file.setup.id),
      shootId: swap(file.setup.shootId),
      spotId: swap(file.setup.spotId),
      confirmed: file.setup.confirmed.map((question) => question.replace(/[^:]+$/, swap)),
    },
    readings: file.readings.map((reading) => ({
      ...reading,
      id: swap(reading.id),
      setupId: swap(reading.setupId),
      corrects: swap(reading.corrects),
      method:
        reading.method.kind === 'frame' ? { ...reading.method, frameId: swap(reading.method.frameId) } : reading.method,
    })),
    sceneChanges: file.sceneChanges.map((change) => ({
      ...change,
      id: swap(change.id),
      setupId: swap(change.setupId),
    })),
    frames: file.frames.map((frame) => ({ ...frame, id: swap(frame.id), setupId: swap(frame.setupId) })),
    changes: file.changes.map((change) => ({
      ...change,
      id: swap(change.id),
      setupId: swap(change.setupId),
      undoes: change.undoes.map(swap),
    })),
  };
}
