// How the log of a long day scrolls on a phone: ten thousand entries, four times slower.
import { randomUUID } from 'node:crypto';

import { watched } from './watched.mjs';

const SHOOT = '019c9c00-0000-7000-8000-000000000001';
const ENTRIES = 10_000;
const LEAST_PER_SECOND = 50;
/** What one request carries. */
const BATCH = 200;
/** How far and how fast the list is scrolled, px and px a second. */
const [FLING_PX, SPEED] = [24_000, 2_400];
/** The middle of these is told: a machine that others share too has its moments. */
const FLINGS = 3;

/** Notes of a long day, as a device would push them. */
const noteAt = (index) => ({
  type: 'note',
  version: 1,
  id: randomUUID(),
  shootId: SHOOT,
  setupId: null,
  about: null,
  at: new Date(Date.parse('2026-02-27T08:00:00Z') + index * 3000).toISOString(),
  star: index % 50 === 0,
  verdict: null,
  text: `Entry ${index}: face f/5.6⁴ at 1/200, ISO 100; the curtain moves, the ${index % 2 === 0 ? 'left' : 'right'} cheek is darker`,
});

async function fill(tab) {
  const push = (documents) =>
    tab.evaluate(async (all) => {
      const post = (address, body) =>
        fetch(address, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }).then((response) => response.json());
      const { account, lineage, protocol } = await post('/api/session', {});
      const device = { id: crypto.randomUUID(), name: 'Bench' };
      const mutations = all.map((document) => ({
        op: 'put',
        key: crypto.randomUUID(),
        baseVersion: 0,
        at: document.at,
        document,
      }));
      const request = { protocol, account: account.id, lineage, device, seen: null, cursor: 0, mutations };
      const answer = await post('/api/sync', request);
      return answer.results?.every(({ status }) => status === 'applied') ?? answer;
    }, documents);
  for (let from = 0; from < ENTRIES; from += BATCH) {
    const told = await push(Array.from({ length: BATCH }, (_, i) => noteAt(from + i)));
    if (told !== true) throw new Error(`the entries were not taken: ${JSON.stringify(told).slice(0, 300)}`);
  }
}

/** As many rows of plain text as the log is scrolled by: what this machine shows at best. */
const PLAIN_PAGE =
  '<body style="margin:0"><div style="height:844px;overflow:auto">' +
  '<p style="height:70px">Entry: face f/5.6 at 1/200, ISO 100</p>'.repeat(600);

/** A phone's thumb that scrolls a tab by so far. */
const thumb = (devtools) => (yDistance) =>
  devtools.send('Input.synthesizeScrollGesture', {
    x: 195,
    y: 500,
    yDistance,
    speed: SPEED,
    gestureSourceType: 'mouse',
    preventFling: true,
  });

/** A tab's tools, with its processor four times slower. */
async function slowed(context, tab) {
  const devtools = await context.newCDPSession(tab);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  return devtools;
}

/** Scrolls the log and prints frames a second. @returns whether there were enough */
export async function benchLog(browser, origin) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const tab = await context.newPage();
  await tab.goto(origin);
  await fill(tab);
  await tab.goto(`${origin}/log/${SHOOT}`);
  await tab
    .getByText(`Entry ${ENTRIES - 1}:`, { exact: false })
    .first()
    .waitFor({ timeout: 120_000 });
  const fling = thumb(await slowed(context, tab));
  await fling(-2000);
  const flings = [];
  for (let n = 0; n < FLINGS; n += 1) flings.push(await watched(tab, () => fling(-FLING_PX)));
  flings.sort((a, b) => a.perSecond - b.perSecond);
  const { perSecond, longestMs } = flings[(FLINGS - 1) / 2];
  const endPx = await tab.evaluate(() =>
    Math.max(...[...document.querySelectorAll('div')].map((one) => one.scrollTop)),
  );
  if (endPx < FLINGS * FLING_PX) throw new Error(`the log was scrolled by ${endPx} px only`);
  const drawn = await tab.getByRole('article').count();
  const plain = await context.newPage();
  await plain.setContent(PLAIN_PAGE);
  const flingPlain = thumb(await slowed(context, plain));
  const best = await watched(plain, () => flingPlain(-FLING_PX));
  console.log(
    `A log of ${ENTRIES} entries scrolls at ${perSecond.toFixed(0)} frames a second at 4× CPU throttle (wanted ` +
      `${LEAST_PER_SECOND}; a page of plain text here: ${best.perSecond.toFixed(0)}); ` +
      `longest task ${longestMs.toFixed(0)} ms; ${drawn} rows drawn at once`,
  );
  await context.close();
  return perSecond >= LEAST_PER_SECOND;
}
