import { z } from 'zod';

import { type Kit, type Setup, kitSchema, readingSchema, sceneChangeSchema, setupSchema } from '../balance';
import { changeSchema, enteredShootSchema, frameSchema, migrateDocument, spotSchema } from '../documents';
import { type Outcome, failure, success } from '../photometry';

/** One setup with everything that its solution depends on: what *Export* writes and *Import* reads. */
export const setupFileSchema = z.strictObject({
  format: z.literal('sphene-setup'),
  version: z.literal(2),
  exportedAt: z.iso.datetime({ offset: true }),
  shoot: enteredShootSchema,
  spot: spotSchema,
  setup: setupSchema,
  kit: kitSchema.meta({ description: 'the gear that the setup uses, and how its owner counts' }),
  readings: z.array(readingSchema).max(5000),
  sceneChanges: z.array(sceneChangeSchema).max(5000),
  frames: z.array(frameSchema).max(200),
  changes: z.array(changeSchema).max(20000),
});
export type SetupFile = z.infer<typeof setupFileSchema>;

/** Version 1 had neither changes of the scene nor frames; its documents are brought up to date one by one. */
function migrateFile(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null || !('version' in raw) || raw.version !== 1 || !('setup' in raw) || !('readings' in raw)) return raw;
  return { ...raw, version: 2, setup: migrateDocument(raw.setup), readings: Array.isArray(raw.readings) ? raw.readings.map(migrateDocument) : raw.readings, sceneChanges: [], frames: [] };
}

/** All facts of a file, with what each belongs to. */
export const factsOfFile = ({ readings, sceneChanges, frames, changes }: SetupFile) => [...readings, ...sceneChanges, ...frames, ...changes];

/** A setup file is small; anything larger is another kind of file. */
export const MAX_SETUP_FILE_BYTES = 20_000_000;

/** What the setup uses out of a whole kit. */
export function kitInUse(setup: Setup, kit: Kit): Kit {
  const light = setup.lights[0];
  return {
    cameras: kit.cameras.filter(({ id }) => id === setup.camera.cameraId),
    flashUnits: kit.flashUnits.filter(({ id }) => id === light?.unitId),
    modifiers: kit.modifiers.filter(({ id }) => id === light?.modifierId),
    filters: kit.filters.filter(({ id }) => setup.camera.filterIds.includes(id)),
    preferences: kit.preferences,
  };
}

/** Writes a setup file as indented JSON with a final line break. */
export const writeSetupFile = (file: SetupFile): string => `${JSON.stringify(file, null, 2)}\n`;

/** The parts must belong together, or the import would bring readings that nobody finds. */
function mismatch(file: SetupFile): string | null {
  const { shoot, spot, setup } = file;
  if (setup.shootId !== shoot.id || spot.shootId !== shoot.id) return 'setup.shootId and spot.shootId must be the id of the shoot in this file';
  if (setup.spotId !== spot.id) return 'setup.spotId must be the id of the spot in this file';
  const stray = factsOfFile(file).find((fact) => fact.setupId !== setup.id);
  return stray === undefined ? null : `${stray.type} ${stray.id} belongs to another setup: its setupId must be ${setup.id}`;
}

/**
 * Reads a setup file.
 * @returns the file, or a message that says where it is wrong and what would be right
 */
export function readSetupFile(text: string): Outcome<SetupFile> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return failure('This is not a setup file: it is not JSON. Choose a file that Export wrote.');
  }
  const parsed = setupFileSchema.safeParse(migrateFile(raw));
  if (!parsed.success) return failure(`This is not a setup file that Sphene can read.\n${z.prettifyError(parsed.error)}`);
  const wrong = mismatch(parsed.data);
  return wrong === null ? success(parsed.data) : failure(`The parts of this setup file do not belong together: ${wrong}.`);
}

/** The JSON Schema of the file, generated from the Zod schema. */
export const setupFileJsonSchema = (): unknown => z.toJSONSchema(setupFileSchema, { target: 'draft-2020-12', io: 'input' });

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
    setup: { ...file.setup, id: swap(file.setup.id), shootId: swap(file.setup.shootId), spotId: swap(file.setup.spotId), confirmed: file.setup.confirmed.map((question) => question.replace(/[^:]+$/, swap)) },
    readings: file.readings.map((reading) => ({
      ...reading, id: swap(reading.id), setupId: swap(reading.setupId), corrects: swap(reading.corrects),
      method: reading.method.kind === 'frame' ? { ...reading.method, frameId: swap(reading.method.frameId) } : reading.method,
    })),
    sceneChanges: file.sceneChanges.map((change) => ({ ...change, id: swap(change.id), setupId: swap(change.setupId) })),
    frames: file.frames.map((frame) => ({ ...frame, id: swap(frame.id), setupId: swap(frame.setupId) })),
    changes: file.changes.map((change) => ({ ...change, id: swap(change.id), setupId: swap(change.setupId), undoes: change.undoes.map(swap) })),
  };
}
