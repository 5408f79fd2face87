// How soon a card on another device shows what the photographer changed.
const HALL = '019c9c00-0000-7000-8000-000000000011';
const CHANGES = 7;
const MOST_MS = 1000;

/** Steps the key's distance in one browser and waits for it in another. @returns whether it came soon enough */
export async function benchCard(browser, origin) {
  const own = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const tab = await own.newPage();
  await tab.goto(`${origin}/setup/${HALL}`);
  await tab.getByRole('tab', { name: 'Lights' }).click();
  const farther = tab.getByRole('button', { name: /^Distance .*: farther$/ }).first();
  await farther.waitFor();
  const { key } = await tab.evaluate(
    (setupId) =>
      fetch('/api/cards', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ setupId, sheet: 'assistant', hours: 1 }),
      }).then((response) => response.json()),
    HALL,
  );
  const other = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const card = await other.newPage();
  await card.goto(`${origin}/card/${key}`);
  const light = card.getByRole('group', { name: 'A Key' });
  await light.waitFor();
  const times = [];
  for (let i = 0; i < CHANGES; i += 1) {
    const before = await light.innerText();
    const seen = card.waitForFunction(
      (was) => document.querySelector('[aria-label="A Key"]')?.innerText !== was,
      before,
      { polling: 'raf' },
    );
    const began = performance.now();
    await farther.click();
    await seen;
    times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  console.log(
    `A card on another device follows a change after ${times[Math.floor(CHANGES / 2)].toFixed(0)} ms, at most ` +
      `${times[CHANGES - 1].toFixed(0)} of ${CHANGES} (bound ${MOST_MS})`,
  );
  await own.close();
  await other.close();
  return times[CHANGES - 1] <= MOST_MS;
}
