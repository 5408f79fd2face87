import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

import { expect, test } from './stack';

const SCRIPTS = path.join(import.meta.dirname, '../client/dist/_expo/static/js/web');

/** A sample in every run; `npm run bench` takes ten thousand. */
const FILES = Number(process.env['FUZZ_FILES'] ?? 2000);

test(`${FILES} damaged pictures give a frame or a reason, and never break the worker`, async ({ page, stack }) => {
  const script = readdirSync(SCRIPTS).find((name) => /^frame-.*\.js$/.test(name)) ?? '';
  const picture = readFileSync(path.join(import.meta.dirname, 'fixtures/terrace.jpg')).toString('base64');
  await page.goto(stack.url);
  const counts = await page.evaluate(
    async ({ address, base64, files }) => {
      const whole = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
      // a small picture with the whole one's EXIF keeps ten thousand of them within a minute
      const end = 4 + (((whole[4] ?? 0) << 8) | (whole[5] ?? 0));
      const canvas = new OffscreenCanvas(48, 32);
      canvas.getContext('2d')?.fillRect(4, 4, 20, 20);
      const small = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer());
      const seed = new Uint8Array([...whole.slice(0, end), ...small.slice(2)]);
      let broken = 0;
      const workers = [0, 1].map(() => {
        const worker = new Worker(address);
        worker.onerror = () => {
          broken += 1;
        };
        return worker;
      });
      let state = 1;
      const random = (below: number) => {
        state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
        return Math.floor((state / 4294967296) * below);
      };
      const mutate = () => {
        const bytes = seed.slice();
        for (let i = random(12); i >= 0; i -= 1)
          bytes[random(random(3) === 0 ? bytes.length : Math.min(bytes.length, 220))] = random(256);
        const kind = random(6);
        return kind === 0
          ? bytes.slice(0, random(bytes.length))
          : kind === 1
            ? new Uint8Array([...bytes.slice(0, random(bytes.length)), ...bytes.slice(random(bytes.length))])
            : bytes;
      };
      // the words of the worker's own protocol: one call, its answer under the same id
      const call = (worker: Worker, file: Blob, id: string) =>
        new Promise<unknown>((done) => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => undefined;
          const listen = ({ data }: MessageEvent<{ id: string; value: unknown; name?: string }>) => {
            if (data.id !== id) return;
            worker.removeEventListener('message', listen);
            port1.close();
            done(data.name === 'throw' ? 'thrown' : data.value);
          };
          worker.addEventListener('message', listen);
          worker.postMessage(
            {
              id,
              type: 'APPLY',
              path: ['read'],
              argumentList: [
                { type: 'RAW', value: file },
                { type: 'HANDLER', name: 'proxy', value: port2 },
              ],
            },
            [port2],
          );
        });
      const tally = { frames: 0, reasons: 0, other: 0, broken: 0 };
      await Promise.all(
        workers.map(async (worker) => {
          for (let done = 0; done < files / 2; done += 20)
            for (const result of await Promise.all(
              Array.from({ length: 20 }, (_, index) =>
                call(worker, new Blob([mutate()], { type: 'image/jpeg' }), `${done}-${index}`),
              ),
            )) {
              const { ok, reason } = (typeof result === 'object' && result !== null ? result : {}) as {
                ok?: boolean;
                reason?: string;
              };
              if (ok === true) tally.frames += 1;
              else if (reason === 'no picture') tally.reasons += 1;
              else tally.other += 1;
            }
        }),
      );
      return { ...tally, broken };
    },
    { address: `/_expo/static/js/web/${script}`, base64: picture, files: FILES },
  );
  expect(counts).toMatchObject({ other: 0, broken: 0 });
  expect(counts.frames).toBeGreaterThan(FILES / 20);
  expect(counts.reasons).toBeGreaterThan(FILES / 20);
});
