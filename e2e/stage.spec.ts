import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { decode } from 'fast-png';

import { HALL, type SetupPage, expect, pressOnceShown, test, SIZES } from './stack';

test.use({ pictures: true });

const PICTURE = HALL.replace('/setup/', '/picture/');
const handle = (page: Page, name: string) => page.getByRole('slider', { name, exact: true }).filter({ visible: true });
const progress = (page: Page, state: string | RegExp) =>
  page.getByRole('status', { name: state }).filter({ visible: true }).first();
const finished = (page: Page) => expect(progress(page, 'Picture: finished')).toBeVisible();
const picture = (page: Page) =>
  page
    .getByRole('img', { name: /^Picture\. / })
    .filter({ visible: true })
    .first();

async function middleOf(locator: Locator): Promise<{ x: number; y: number }> {
  const box = await locator.boundingBox();
  if (box === null) throw new Error('not on screen');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}
async function dragMouse(page: Page, from: Locator, dx: number, dy: number): Promise<void> {
  await from.scrollIntoViewIfNeeded();
  const { x, y } = await middleOf(from);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 6; i += 1) await page.mouse.move(x + (dx * i) / 6, y + (dy * i) / 6);
  await page.mouse.up();
}
type Touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) => Promise<void>;
/** A thumb on glass: real touch events. */
async function thumb(page: Page): Promise<Touch> {
  const session = await page.context().newCDPSession(page);
  return async (type, touchPoints) => {
    await session.send('Input.dispatchTouchEvent', { type, touchPoints });
  };
}
const powerOf = async (page: Page): Promise<string> =>
  (
    (await page
      .getByRole('status', { name: /^Key A: power / })
      .filter({ visible: true })
      .first()
      .getAttribute('aria-label')) ?? ''
  ).replace(/^Key A: power /, '');
const saidOf = (page: Page, name: string) => handle(page, name).getAttribute('aria-valuetext');

/** What the ladder says of the face, and what the picture says. */
async function agree(page: Page, setup: SetupPage): Promise<void> {
  const onLadder = async () =>
    /Face: ([+−-]?\d+\.\d)/.exec((await setup.ladder.first().getAttribute('aria-label')) ?? '')?.[1];
  const inPicture = async () =>
    /face ([+−-]?\d+\.\d)/.exec((await picture(page).getAttribute('aria-label')) ?? '')?.[1];
  // the last step of a drag comes a moment after the hand has left it: both are read anew until they agree
  await expect
    .poll(async () => {
      const drawn = await inPicture();
      return drawn !== undefined && drawn === (await onLadder());
    })
    .toBe(true);
  // the next bar gives the same power, unless it asks for something else first
  await expect.poll(async () => (await setup.next.textContent())?.includes(await powerOf(page))).toBe(true);
}

for (const [size, viewport] of SIZES)
  test(
    `at ${size} size › a light is dragged with the mouse: figures, power, picture and ladder follow, and ` +
      'one undo takes it back',
    async ({ page, setup, stack }) => {
      await page.setViewportSize(viewport);
      await setup.open(stack, HALL);
      await setup.setCamera();
      await setup.part('Stage');
      await finished(page);
      await agree(page, setup);
      const [before, power, drawn] = [
        await saidOf(page, 'Key A'),
        await powerOf(page),
        await picture(page).getAttribute('data-drawn'),
      ];
      await dragMouse(page, handle(page, 'Key A'), 30, 40);
      await expect.poll(() => saidOf(page, 'Key A')).not.toBe(before);
      await expect.poll(() => powerOf(page)).not.toBe(power);
      await expect.poll(() => picture(page).getAttribute('data-drawn')).not.toBe(drawn);
      await finished(page);
      await agree(page, setup);
      await page.getByRole('button', { name: 'Take the last thing back' }).first().click();
      await expect.poll(() => saidOf(page, 'Key A')).toBe(before);
      expect(await powerOf(page)).toBe(power);
    },
  );

test.describe('with a thumb', () => {
  test.use({ hasTouch: true });
  test('a light is dragged by touch, two fingers zoom, the ground is moved', async ({ page, setup, stack }) => {
    await setup.open(stack, HALL);
    await setup.part('Stage');
    const key = handle(page, 'Key A');
    await expect(key).toBeVisible();
    const touch = await thumb(page);
    const before = await saidOf(page, 'Key A');
    const { x, y } = await middleOf(key);
    await touch('touchStart', [{ x, y }]);
    for (let i = 1; i <= 5; i += 1) await touch('touchMove', [{ x: x - 10 * i, y: y - 4 * i }]);
    await touch('touchEnd', []);
    await expect.poll(() => saidOf(page, 'Key A')).not.toBe(before);
    // pinch on free ground
    const stage = await page.getByRole('group', { name: 'Stage from above' }).boundingBox();
    if (stage === null) throw new Error('no stage');
    const apart = async () => {
      const [a, b] = [await middleOf(handle(page, 'Camera')), await middleOf(handle(page, 'Key A'))];
      return Math.hypot(a.x - b.x, a.y - b.y);
    };
    const distance = await apart();
    const ground = { x: stage.x + 40, y: stage.y + stage.height - 60 };
    await touch('touchStart', [ground, { x: ground.x + 40, y: ground.y }]);
    for (let i = 1; i <= 4; i += 1) await touch('touchMove', [ground, { x: ground.x + 40 + 8 * i, y: ground.y }]);
    await touch('touchEnd', []);
    await expect.poll(apart).toBeGreaterThan(distance * 1.2);
    await page.getByRole('button', { name: 'Fit the stage' }).click();
    await expect.poll(apart).toBeLessThan(distance * 1.1);
  });
});

test('a light is moved by keyboard alone, with fine steps and height; the face is turned; the wheel zooms', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  await setup.part('Stage');
  const key = handle(page, 'Key A');
  await key.focus();
  await expect(key).toHaveAttribute('aria-valuenow', '40');
  await key.press('ArrowRight');
  await expect(key).toHaveAttribute('aria-valuenow', '45');
  await key.press('Shift+ArrowLeft');
  await expect(key).toHaveAttribute('aria-valuenow', '44');
  await key.press('ArrowUp');
  await expect(key).toHaveAttribute('aria-valuetext', /^2\.3 m/);
  await key.press('PageUp');
  await expect(key).toHaveAttribute('aria-valuetext', /0\.5 m over the aim$/);
  await handle(page, 'Axis of Key A').press('ArrowRight');
  await expect(handle(page, 'Axis of Key A')).toHaveAttribute('aria-valuetext', '5° past its aim');
  await handle(page, 'Face').press('ArrowLeft');
  await expect(handle(page, 'Face')).toHaveAttribute('aria-valuetext', 'turned 5° left of the camera');
  await handle(page, 'Camera').press('ArrowUp');
  await expect(handle(page, 'Camera')).toHaveAttribute('aria-valuetext', /^2\.9 m/);
  const log = await setup.part('Log');
  await expect(log).toContainText('Camera to the subject: 2.9 m, was 3 m');
  await setup.part('Stage');
  const stage = page.getByRole('group', { name: 'Stage from above' });
  const before = await middleOf(handle(page, 'Camera'));
  await stage.hover({ position: { x: 30, y: 200 } });
  await page.mouse.wheel(0, -400);
  await expect.poll(async () => (await middleOf(handle(page, 'Camera'))).y).not.toBe(before.y);
});

test('a light seen in spectacles is cured by the smallest move that is offered', async ({ page, setup, stack }) => {
  await setup.open(stack, HALL);
  const stage = await setup.part('Stage');
  await stage.getByRole('button', { name: /^Subject\. / }).click();
  await stage.getByRole('checkbox', { name: 'Spectacles' }).click();
  const key = handle(page, 'Key A');
  for (let i = 0; i < 6; i += 1) await key.press('ArrowLeft');
  const caution = stage.getByText('Key A shows in the spectacles.');
  await expect(caution).toBeVisible();
  const cure = stage.getByRole('button', { name: /^Tip the frames down by \d+°$/ });
  const degrees = Number(/(\d+)°/.exec((await cure.textContent()) ?? '')?.[1]);
  await cure.click();
  await expect(caution).toHaveCount(0);
  await expect(
    stage.getByRole('group', { name: 'Spectacles tipped down' }).or(stage.getByLabel('Spectacles tipped down')).first(),
  ).toContainText(`${degrees} °`);
  await finished(page);
  await page.getByRole('button', { name: 'Take the last thing back' }).first().click();
  await expect(caution).toBeVisible();
});

test('a reflector is added: the contrast falls as it says, and comes back when it goes', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Add shadow side' }).click();
  await setup.typeReading('Ambient', 'Shadow side, ambient', '1.4');
  const stage = await setup.part('Stage');
  const shadow = async () =>
    Number(
      (
        /Shadow side: ([+−-]?\d+\.\d)/.exec((await setup.ladder.first().getAttribute('aria-label')) ?? '')?.[1] ?? ''
      ).replace('−', '-'),
    );
  const face = async () =>
    Number(
      (/Face: ([+−-]?\d+\.\d)/.exec((await setup.ladder.first().getAttribute('aria-label')) ?? '')?.[1] ?? '').replace(
        '−',
        '-',
      ),
    );
  const before = await shadow();
  await stage.getByRole('button', { name: /^Add to the stage\. / }).click();
  await stage.getByRole('button', { name: 'Add a reflector' }).click();
  const card = stage.getByRole('group', { name: 'Reflector', exact: true });
  await expect(card).toContainText(/dark side \d\.\d stops? brighter, face .*\. Contrast from \d\.\d to \d\.\d stops?/);
  await card.getByRole('radio', { name: 'Silver' }).click();
  const [, from, to] = (/Contrast from (\d\.\d) to (\d\.\d) stops/.exec((await card.textContent()) ?? '') ?? []).map(
    Number,
  );
  expect(to).toBeLessThan(from ?? 0);
  await expect.poll(shadow).toBeGreaterThan(before);
  expect(await face()).not.toBeNaN();
  await card.getByRole('radio', { name: 'Black' }).click();
  await expect(card).toContainText(/dark side \d\.\d stops? darker/);
  await expect.poll(shadow).toBeLessThanOrEqual(before);
  await handle(page, 'Reflector, black').press('ArrowUp');
  await expect(handle(page, 'Reflector, black')).toHaveAttribute('aria-valuetext', /^0\.9 m/);
  await card.getByRole('button', { name: 'Remove the reflector' }).click();
  await expect.poll(shadow).toBe(before);
});

test('the subject nearer to the window is brighter; the sun comes from place and time; the stage is mirrored; paces are told', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  const stage = await setup.part('Stage');
  const window = handle(page, 'Window');
  await window.press('ArrowDown');
  await window.press('ArrowDown');
  await expect(window).toHaveAttribute('aria-valuetext', /^2\.4 m/);
  await expect(stage.getByRole('group', { name: 'Window', exact: true })).toContainText(
    /face \d\.\d stops? brighter than the room alone/,
  );
  const log = await setup.part('Log');
  await expect(log).toContainText('Panels and openings: Window');
  await setup.part('Stage');
  await stage.getByRole('button', { name: /^Sun\. / }).click();
  await stage.getByRole('radio', { name: 'Place and time' }).click();
  const time = stage.getByRole('group', { name: 'Day and time there' });
  await time
    .getByRole('button')
    .filter({ hasText: /\d{4}-/ })
    .click();
  await stage.getByLabel('Day and time there').last().fill('31 February');
  await stage.getByLabel('Day and time there').last().press('Enter');
  await expect(stage.getByText('Write day and time such as 2026-02-27 16:40.')).toBeVisible();
  await stage.getByLabel('Day and time there').last().fill('2026-02-27 14:30');
  await stage.getByLabel('Day and time there').last().press('Enter');
  await expect(stage.getByText(/^Sun .* 2[89]° high\.$/).first()).toBeVisible();
  await expect(handle(page, 'Key A')).toHaveAttribute('aria-valuenow', '40');
  await stage.getByRole('button', { name: 'Mirror the stage' }).click();
  await expect(handle(page, 'Key A')).toHaveAttribute('aria-valuenow', '-40');
  await handle(page, 'Key A').focus();
  await stage.getByRole('button', { name: 'Tell paces and hand-breadths' }).click();
  await expect(stage.getByRole('listitem', { name: /^Distance: 2\.2 m, 3 paces$/ })).toBeVisible();
  await stage.getByRole('radio', { name: 'From the side' }).click();
  await expect(page.getByRole('group', { name: 'Stage from the side' })).toBeVisible();
  await stage.getByRole('button', { name: /^Starting places\. / }).click();
  await stage.getByRole('button', { name: 'Place: Half the face' }).click();
  await expect(handle(page, 'Key A')).toHaveAttribute('aria-valuenow', '-90');
});

test('rendering is stopped and goes on; meanwhile the stage answers', async ({ page, setup, stack }) => {
  await setup.open(stack, HALL);
  await setup.part('Stage');
  await pressOnceShown(page, 'Stop refining the picture');
  await expect(progress(page, /Picture: (stopped, coarse|setting the scene)/)).toBeVisible();
  await expect(progress(page, 'Picture: stopped, coarse')).toBeVisible();
  // what moves is rendered again at once
  await handle(page, 'Key A').press('ArrowRight');
  await expect(handle(page, 'Key A')).toHaveAttribute('aria-valuenow', '45');
  await finished(page);
  const stopped = pressOnceShown(page, 'Stop refining the picture');
  await handle(page, 'Key A').press('ArrowRight');
  await stopped;
  await expect(progress(page, 'Picture: stopped, coarse')).toBeVisible();
  await page.getByRole('button', { name: 'Go on with the picture' }).click();
  await finished(page);
});

for (const [size, viewport] of SIZES)
  test(`at ${size} size › the picture shows its parts, marks, before and after, and is saved with its settings`, async ({
    page,
    setup,
    stack,
  }, info) => {
    await page.setViewportSize(viewport);
    await setup.open(stack, HALL);
    await setup.openPicture();
    await expect(page).toHaveURL(new RegExp(PICTURE));
    await finished(page);
    const pixels = () =>
      page
        .locator('canvas')
        .filter({ visible: true })
        .first()
        .evaluate((canvas: HTMLCanvasElement) => {
          const { data } = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height) ?? {
            data: new Uint8ClampedArray(),
          };
          let sum = 0;
          for (let i = 0; i < data.length; i += 4) sum += data[i] ?? 0;
          return Math.round(sum / (data.length / 4));
        });
    await expect.poll(pixels).toBeGreaterThan(5);
    const all = await pixels();
    await page.getByRole('button', { name: 'Keep to compare with' }).click();
    await page.getByRole('radio', { name: 'Ambient', exact: true }).click();
    await expect.poll(pixels).toBeLessThan(all);
    const ambient = await pixels();
    await page.getByRole('radio', { name: 'Key A', exact: true }).click();
    await expect.poll(pixels).not.toBe(ambient);
    await page.getByRole('radio', { name: 'All light' }).click();
    await expect.poll(pixels).toBe(all);
    // the power by hand: it is held, and the picture follows
    const slider = page.getByRole('slider', { name: 'Power of Key A' });
    const power = await slider.getAttribute('aria-valuetext');
    for (let i = 0; i < 4; i += 1) await slider.press('PageUp');
    await expect(slider).not.toHaveAttribute('aria-valuetext', power ?? '');
    await expect.poll(pixels).toBeGreaterThan(all);
    const hold = page.getByRole('button', { name: 'Hold for before' });
    await hold.focus();
    await page.keyboard.down('Enter');
    await expect.poll(pixels).toBe(all);
    await page.keyboard.up('Enter');
    // how much brighter is not looked at here: the picture may still follow the last press
    await expect.poll(pixels).toBeGreaterThan(all);
    // a camera's contrast is left out and comes back
    const developed = await pixels();
    await page.getByRole('checkbox', { name: 'Flat' }).click();
    await expect.poll(pixels).not.toBe(developed);
    await page.getByRole('checkbox', { name: 'Flat' }).click();
    await expect.poll(pixels).toBe(developed);
    await page.getByRole('checkbox', { name: 'Clipped and lost' }).click();
    await expect(page.getByRole('img', { name: /^Histogram of the picture/ })).toBeVisible();
    await expect(
      page
        .getByText(/^Face \+?\d/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as PNG' }).click(),
    ]);
    const file = info.outputPath('picture.png');
    await download.saveAs(file);
    const saved = decode(readFileSync(file));
    expect([saved.width, saved.height]).toEqual([360, 480]);
    const settings = JSON.parse(saved.text['Sphene settings'] ?? '{}') as {
      camera: { shutter: string };
      lights: { power: string }[];
    };
    expect(settings.camera.shutter).toMatch(/^1\//);
    expect(settings.lights[0]?.power).toBe(await slider.getAttribute('aria-valuetext'));
    await page.getByRole('button', { name: 'Let Key A follow the look' }).click();
    await expect(slider).toHaveAttribute('aria-valuetext', power ?? '');
  });

test('a variant that was set aside stands beside the picture in force', async ({ page, setup, stack }) => {
  await setup.open(stack, HALL);
  const look = await setup.part('Look');
  await look.getByRole('button', { name: /^Variants\. / }).click();
  await look.getByRole('button', { name: 'Set this one aside', exact: true }).click();
  await setup.openPicture();
  await page.getByRole('button', { name: /^Compare\. / }).click();
  const versions = page.getByRole('radiogroup', { name: 'Compare with' });
  await versions.getByRole('radio').nth(1).click();
  await finished(page);
  await expect(page.getByRole('img', { name: /^Picture, now/ })).toHaveAttribute('data-drawn', /\d/);
  await expect(page.getByRole('img', { name: /^Picture, variant a/ })).toHaveAttribute('data-drawn', /\d/);
});
