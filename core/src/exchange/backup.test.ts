import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';

import type { Document } from '../documents';
import { SHIPPED_LOOKS } from '../looks';
import { SAMPLE_DOCUMENTS, SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import type { Reading, Setup } from '../setup';
import { solve } from '../solution';
import { type Backup, backupJsonSchema, readBackup, restorePlan, writeBackup } from '.';

const AT = '2026-02-27T18:00:00Z';
const look: Document = {
  type: 'look',
  version: 2,
  id: sampleId(900),
  name: 'Côté nuit 🌙',
  tags: ['dusk'],
  words: 'line\nbreaks, "quotes" \u2028 and more',
  keptAt: AT,
  from: null,
  picture: SHIPPED_LOOKS['evening-made'],
};
const ALL: Document[] = [...SAMPLE_DOCUMENTS, look];
const IMAGE = 'data:image/jpeg;base64,AAAA';
const whole: Backup = { exportedAt: AT, documents: ALL, images: new Map([[look.id, IMAGE]]) };

const reread = async (backup: Backup): Promise<Backup> => {
  const read = await readBackup(writeBackup(backup));
  if (read?.ok !== true) throw new Error(JSON.stringify(read));
  return read.value;
};
const faultOf = async (text: string) => {
  const read = await readBackup(text);
  return read?.ok === false ? read.reason : null;
};

describe('a backup', () => {
  it('comes back whole, whatever part of the work is in it', async () => {
    await fc.assert(
      fc.asyncProperty(fc.shuffledSubarray(ALL), fc.boolean(), async (documents, withImage) => {
        const backup = { ...whole, documents, images: withImage ? whole.images : new Map<string, string>() };
        expect(await reread(backup)).toEqual(backup);
      }),
    );
  });

  it('gives the same solutions to the last bit', async () => {
    const { documents } = await reread(whole);
    for (const { setup } of [SAMPLE_HALL, SAMPLE_TERRACE]) {
      const its = documents.find((one): one is Setup => one.id === setup.id);
      const facts = documents.filter((one): one is Reading => one.type === 'reading');
      const here = ALL.filter((one): one is Reading => one.type === 'reading');
      if (its === undefined) throw new Error('the setup is gone');
      const now = ALL.find((one): one is Setup => one.id === setup.id);
      expect(JSON.stringify(solve(its, SAMPLE_KIT, facts, new Date(AT)))).toBe(
        JSON.stringify(solve(now ?? setup, SAMPLE_KIT, here, new Date(AT))),
      );
    }
  });

  it('brings earlier documents up to date, and refuses newer backups by their version', async () => {
    const older = ALL.map((one) =>
      one.type === 'stand' ? { ...one, version: 1, boomM: undefined, wheels: undefined } : one,
    );
    const text = writeBackup({ ...whole, documents: older as unknown as Document[] });
    const read = await readBackup(text);
    if (read?.ok !== true) throw new Error(JSON.stringify(read));
    expect(read.value.documents.filter(({ type }) => type === 'stand')).toMatchObject([
      { version: 2, boomM: null },
      { version: 2 },
      { version: 2 },
    ]);
    expect(await faultOf(writeBackup(whole).replace('"version":1', '"version":2'))).toEqual({
      kind: 'newer',
      version: 2,
    });
  });

  it('all or nothing: what is wrong is told by its place, the first twenty, and counted', async () => {
    const wrong = Array.from({ length: 30 }, () => ({ ...look, picture: null }) as unknown as Document);
    const fault = await faultOf(writeBackup({ ...whole, documents: [look, ...wrong] }));
    if (fault?.kind !== 'documents') throw new Error('it is refused');
    expect(fault.count).toBe(30);
    expect(fault.told).toHaveLength(20);
    expect(fault.told[0]).toMatchObject({ place: 2, fault: { kind: 'schema' } });
    // what no database keeps
    const broken = { ...look, words: 'a\u0000b' } as Document;
    expect(await faultOf(writeBackup({ ...whole, documents: [broken] }))).toMatchObject({
      kind: 'documents',
      count: 1,
    });
  });

  it('tells how far it is, and stops when it is stopped', async () => {
    const many = { ...whole, documents: Array.from({ length: 1200 }, () => look) };
    const told: number[] = [];
    const read = await readBackup(writeBackup(many), (done) => told.push(done) < 2);
    expect(read).toBeNull();
    expect(told).toEqual([0, 500]);
  });

  it('files of another kind are refused with what they are', async () => {
    expect(await faultOf('shoot,at\n')).toEqual({ kind: 'not-json' });
    expect(await faultOf('{"format":"sphene-setup"}')).toEqual({ kind: 'no-backup' });
    expect(await faultOf('['.repeat(100_000))).toEqual({ kind: 'too-deep' });
    expect(await faultOf(writeBackup(whole).replace(IMAGE, 'javascript:alert(1)'))).toEqual({ kind: 'no-backup' });
    expect(await faultOf(writeBackup(whole).slice(0, -40))).toEqual({ kind: 'not-json' });
  });

  it('restoring adds what is missing, leaves what is here, and does nothing the second time', () => {
    const here = new Map(ALL.slice(0, 20).map((one) => [one.id, one]));
    const changed = ALL.find((one) => one.type === 'shoot');
    if (changed === undefined) throw new Error('the sample has a shoot');
    here.set(changed.id, { ...changed, title: 'Renamed since' });
    const plan = restorePlan(whole, (id) => here.get(id));
    expect(plan.other).toEqual([changed]);
    expect(plan.same).toBe(here.size - 1);
    expect(plan.missing).toHaveLength(ALL.length - here.size);
    for (const one of plan.missing) here.set(one.id, one);
    expect(restorePlan(whole, (id) => here.get(id)).missing).toEqual([]);
  });

  it('has a schema in the documents that says what it is now', () => {
    const kept: unknown = JSON.parse(readFileSync(resolve(__dirname, '../../../docs/backup-file.schema.json'), 'utf8'));
    expect(kept).toEqual(JSON.parse(JSON.stringify(backupJsonSchema())));
  });
});
