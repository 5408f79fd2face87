import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import path from 'node:path';

import { HALL, SetupPage, Stack, TERRACE, expect, test, SIZES } from './stack';

for (const [size, viewport] of SIZES) {
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('1 · the sample shoot with its spots stands there, and a new shoot can be made', async ({ page, stack }) => {
      await page.goto(stack.url);
      const shoot = page.getByRole('article', { name: 'Wedding at the old funicular' });
      await expect(shoot.getByRole('link')).toHaveCount(4);
      await expect(
        shoot.getByRole('link', {
          name: /Winch hall, Ceremony by the windows, Set the camera: 1\/125, f\/2\.8, ISO 400/,
        }),
      ).toBeVisible();
      await page.getByRole('button', { name: 'New shoot' }).click();
      await page.getByRole('button', { name: 'Make the shoot' }).click();
      await expect(page.getByRole('alert')).toContainText('Give the shoot a name');
      await page.getByLabel('Name', { exact: true }).fill('Foundry portrait');
      await page.getByRole('button', { name: 'Make the shoot' }).click();
      await expect(
        page.getByRole('heading', { name: 'Foundry portrait', level: 1 }).filter({ visible: true }),
      ).toBeVisible();
      await page.getByRole('link', { name: /Setup 1/ }).click();
      await expect(page.getByRole('region', { name: 'Next' })).toContainText('Meter the face');
    });

    test('2 to 6 · from a meter reading to a tested flash setting', async ({ page, stack, setup }) => {
      await setup.openFresh(stack, 'Evening');

      // 2: a reading that cannot be read stays in the field with a message; then any notation, then the pad
      const ambient = await setup.part('Ambient');
      await setup.typeReading('Ambient', 'Face, ambient', 'fivesix');
      await expect(ambient.getByRole('alert')).toContainText('“fivesix” is not a reading. Write it as 5.6');
      await expect(ambient.getByLabel('Face, ambient')).toHaveValue('fivesix');
      await ambient.getByLabel('Face, ambient').fill('2.8⁴');
      await expect(ambient).toContainText('f/2.8⁴ at 1/125, ISO 100: EV 10.4');
      await setup.typeReading('Ambient', 'Face, ambient', '2,8');
      await expect(setup.next).toContainText('Meter the background');
      await ambient.getByRole('button', { name: 'Meter ISO: higher' }).click();
      await setup.tapReading('Ambient', ['f 4', 'and 3 tenths'], 'Save for background');
      await expect(ambient.getByRole('button', { name: /Meter ISO 125/ })).toBeVisible();
      await expect(setup.next).toContainText('Set the camera: 1/125, f/2.8, ISO 100');

      // a light is an option: with one the ambient is held back for it
      const flash = await setup.part('Lights');
      await flash.getByRole('button', { name: /^Add a key/ }).click();

      // 3: the look, said three ways at once; the background lands
      const look = await setup.part('Look');
      const slider = look.getByRole('slider', { name: 'Ambient held back on the face' });
      await expect(slider).toHaveAttribute(
        'aria-valuetext',
        /^1\.0 stop under the total\. 50 % of the light is flash.*Flash and ambient even$/,
      );
      await slider.focus();
      await page.keyboard.press('ArrowRight');
      await expect(slider).toHaveAttribute(
        'aria-valuetext',
        /^1\.1 stops under the total\. 53 % of the light is flash/,
      );
      await look.getByRole('button', { name: /^Lift/ }).click();
      await expect(slider).toHaveAttribute('aria-valuetext', /^0\.7 stop under the total\. 37 % of the light is flash/);
      await expect(look).toContainText(/Background in the picture\s*\+0\.3 0\.3 stop brighter than mid grey/);

      // 4: the camera of the kit, its settings and the reason
      const camera = await setup.part('Camera');
      await camera.getByRole('radio', { name: 'Plover, sync 1/200' }).click();
      await expect(camera.getByRole('group', { name: 'Camera settings 1/200, f/2.8, ISO 100' })).toBeVisible();
      await expect(camera).toContainText('f/2.8 kept, lowest ISO; 1/200 lies between 1/125 and sync 1/200.');

      // 5: flash, modifier, distance
      await setup.part('Lights');
      await flash.getByRole('radio', { name: 'Wren 60 A' }).click();
      await flash.getByRole('radio', { name: 'Octagon 90 cm' }).click();
      await flash
        .getByRole('button', { name: /^Distance to the face/ })
        .first()
        .focus();
      await flash.getByRole('button', { name: 'Distance to the face: nearer' }).click();
      await expect(flash).toContainText('1/128 +0.7');
      await expect(flash).toContainText(/Meter should read\s*f\/2\.8 total, f\/1\.4⁵ flash only/);
      await expect(flash).toContainText('Not tested yet');
      await expect(flash).toContainText('± 0.6 stop');
      await setup.setCamera();
      await expect(setup.next).toContainText('Flash to 1/128 +0.7');
      await setup.next.getByRole('button', { name: /^It is set/ }).click();

      // 6: the test and the correction
      const check = await setup.part('Check');
      await setup.typeReading('Check', 'Face, total', '1');
      await expect(check.getByRole('alert')).toContainText('No flash was measured');
      await setup.tapReading('Check', ['f 2.8', 'and 3 tenths'], 'Save the test');
      await expect(check.getByRole('group', { name: 'Correction' })).toContainText('Flash down 0.7: 0.7 stop darker.');
      await expect(setup.next).toContainText('Flash down 0.7: 1/128');
      await expect(setup.next).toContainText('Meter should read f/2.8');
      await setup.next.getByRole('button', { name: /^It is set/ }).click();
      await expect(setup.next).toContainText('Shoot: 1/200, f/2.8, ISO 100');
      await expect(setup.ladder).toHaveAccessibleName(/Face: .* stops from mid grey \(ambient .*, flash .*\)/);
    });

    test('4 · a wish that cannot be met says by how much, and one tap takes a way out', async ({ setup, stack }) => {
      await setup.open(stack, TERRACE);
      const camera = await setup.part('Camera');
      await expect(setup.next).toContainText('No flash can help here');
      await expect(setup.next).toContainText('First way out: Stop down to f/7.1.');
      await expect(camera).toContainText('still 2.7 stops too bright');
      await expect(camera.getByRole('article', { name: /Faster shutter, 1\/1250/ })).toContainText(
        'costs this flash 4.4 stops',
      );
      await camera.getByRole('button', { name: 'Apply: Put on ND 3 stops' }).click();
      await expect(camera).toContainText('f/2.8 kept behind ND 3 stops');
      await setup.setCamera();
      await expect(setup.next).toContainText('Flash to 1/64 +0.8');
    });

    test('7 · everything is in the log, survives a reload, and a second browser shows it', async ({
      page,
      stack,
      setup,
      browser,
    }) => {
      await setup.open(stack, HALL);
      await setup.tapReading('Ambient', ['f 2.8', 'and 4 tenths'], 'Save for face');
      await (await setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
      const log = await setup.part('Log');
      await expect(log.getByRole('listitem')).toHaveCount(4);
      await expect(log).toContainText(
        /\d\d:\d\d:\d\d.*Hold-back: 2\.0 stops under the total, flash share 75 %, was 1\.0 stop under the total/,
      );
      await expect(log).toContainText('Face, ambient: f/2.8⁴ at 1/60, ISO 400 (“2.8 4”)');
      await expect(setup.saved).toBeVisible();
      const told = await setup.next.textContent();
      await page.reload();
      await expect(setup.next).toHaveText(told ?? '');

      const other = await browser.newContext({ viewport });
      const second = new SetupPage(await other.newPage());
      await second.open(stack, HALL);
      await expect(second.next).toHaveText(told ?? '');
      // what the second does, the first sees
      await (await second.part('Look')).getByRole('button', { name: /^Even/ }).click();
      await expect(setup.next).not.toHaveText(told ?? '');
      await other.close();
    });
  });
}

test('7 · export and import into an empty account give the same setup and the same solution', async ({
  page,
  stack,
  setup,
  browser,
}, info) => {
  await setup.open(stack, HALL);
  await setup.tapReading('Check', ['f 2.8'], 'Save the test');
  const told = await setup.next.textContent();
  const log = await setup.part('Log');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    log.getByRole('button', { name: 'Export this setup' }).click(),
  ]);
  const file = info.outputPath('setup.sphene.json');
  await download.saveAs(file);

  // the command line reads the same file to the same solution
  const solution = JSON.parse(
    execFileSync('npm', ['run', '-s', 'solve', '--', file], {
      cwd: path.resolve(import.meta.dirname, '..'),
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    }),
  ) as { nextAction: { text: string } };
  expect(told).toContain(solution.nextAction.text);

  const empty = await Stack.start({ sample: false });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const there = new SetupPage(await context.newPage());
  await there.page.goto(empty.url);
  await expect(there.page.getByText('No shoots yet').filter({ visible: true })).toBeVisible();
  const choose = async (name: string, text: string) => {
    const [chooser] = await Promise.all([
      there.page.waitForEvent('filechooser'),
      there.page.getByRole('button', { name: 'Import a setup' }).filter({ visible: true }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  };
  await choose('wrong.json', '{"format": "something else"}');
  await expect(there.page.getByRole('alert')).toContainText('This is not a setup file that Sphene can read');
  await choose('setup.sphene.json', readFileSync(file, 'utf8'));
  await expect(there.next).toHaveText(told ?? '');
  const otherLog = await there.part('Log');
  await expect(otherLog.getByRole('listitem')).toHaveCount(await log.getByRole('listitem').count());

  // once more is a copy, under new ids
  await there.page.goto(empty.url);
  await choose('setup.sphene.json', readFileSync(file, 'utf8'));
  await expect(there.next).toHaveText(told ?? '');
  await there.page.goto(empty.url);
  await expect(there.page.getByRole('article')).toHaveCount(2);
  await context.close();
  await empty.kill();
});

test('the command line says what is wrong and exits with 1', () => {
  const run = (input: string) => {
    try {
      execFileSync('npm', ['run', '-s', 'solve'], {
        cwd: path.resolve(import.meta.dirname, '..'),
        input,
        encoding: 'utf8',
        stdio: 'pipe',
      });
      return { status: 0, stderr: '' };
    } catch (error) {
      return error as { status: number; stderr: string };
    }
  };
  const { status, stderr } = run('{"format":"sphene-setup"}');
  expect(status).toBe(1);
  expect(stderr).toContain('This is not a setup file that Sphene can read');
});
