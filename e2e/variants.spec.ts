import { expect, HALL, SIZES, test } from './stack';

test.use({ pictures: true });

for (const [size, viewport] of SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('another place for the light is one tap; variants stand side by side, in order, and are gone back to', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      await setup.setCamera();
      const before = await setup.next.textContent();
      const placeOf = async () =>
        (await setup.part('Stage')).getByRole('slider', { name: /^Key A/ }).getAttribute('aria-valuetext');
      const first = await placeOf();
      await page.getByRole('button', { name: 'Try another place for Key A' }).click();
      await expect.poll(placeOf).not.toBe(first);
      const second = await placeOf();
      await page.getByRole('button', { name: 'Try another place for Key A' }).click();
      await expect.poll(placeOf).not.toBe(second);

      const look = await setup.part('Look');
      await look.getByRole('button', { name: /^Variants\. Set aside: Variant A, Variant B/ }).click();
      const a = look.getByRole('article', { name: 'Variant A', exact: true });
      // one thing differs: the place of the light, and it says which
      await expect(a).toContainText('One thing differs');
      await expect(a).toContainText(/Key A, distance: .*, was /);
      await expect(a.getByRole('img', { name: /^Picture of variant a\. Tones/ })).toHaveAttribute('data-drawn', /\d/);
      // in the best order each step changes one thing: nothing is marked as a second
      const order = look.getByRole('list', { name: 'In which order' });
      await expect(order.getByRole('listitem')).toHaveCount(2);
      await expect(order).not.toContainText('Also:');

      // the look is changed too: a second thing, and it is named
      await look.getByRole('button', { name: /^Carry/ }).click();
      await expect(a).toContainText('2 things differ');
      await expect(order).toContainText('Also:');

      // back to the first, and what was in force is set aside by itself
      await a.getByRole('button', { name: 'Use Variant A' }).click();
      await expect(look.getByRole('article', { name: 'Variant C', exact: true })).toBeVisible();
      expect(await placeOf()).toBe(first);
      await expect(setup.next).toHaveText(before ?? '');
      // the tree of what was made from what stands in the log
      const tree = (await setup.part('Log')).getByRole('list', { name: 'What was made from what' });
      await expect(tree.getByRole('listitem')).toHaveText(['Variant A', 'Now', 'Variant B', 'Variant C']);

      await (await setup.part('Look')).getByRole('button', { name: 'Drop all others' }).click();
      await expect(look.getByRole('button', { name: /^Variants\. Set this one aside whole/ })).toBeVisible();
    });
  });
