// From the last report to the signed next kit: counted and timed, as a colourist would do it who looks before she signs.
import { test, expect, prescribe, sql, today } from './help.mjs';

// What a practised person needs for each, seconds: the keystroke-level model of Card, Moran and Newell (1980), from memory.
const seconds = { think: 1.35, point: 1.1, home: 0.4, key: 0.28 };

test('from the last report to a signed next kit: under 15 actions and under a minute', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await today(page);
  let actions = 0,
    human = 0;
  const point = async go => {
    actions++;
    human += seconds.think + seconds.point + seconds.key;
    await go();
  };
  const key = async (keys, go) => {
    actions++;
    human += seconds.think + seconds.home + keys * seconds.key;
    await go();
  };
  const from = performance.now();

  // Today shows the report; it opens beside the prescription it belongs to.
  await point(() => page.locator('.today-group', { hasText: 'Reports to read' }).locator('.line', { hasText: 'Sunniva' }).click());
  await expect(page.locator('.beside')).toContainText('Reported');
  await point(() => page.getByRole('button', { name: 'Read; on to the next kit' }).click());

  // The sitting begins with what is known: regrowth reckoned, last time's formula, order and hands. She measures two zones anew.
  await expect(page.locator('.verdict')).toBeVisible();
  await expect(page.locator('.last-time')).toContainText('came out right');
  await point(() => page.locator('.zone[data-zone=crown] .zone-ground').click());
  await key(3, () => page.locator('#f-zones-crown-regrowthMm').fill('16'));
  await point(() => page.locator('.zone[data-zone=nape] .zone-ground').click());
  await key(3, () => page.locator('#f-zones-nape-regrowthMm').fill('14'));
  await expect(page.locator('.zone[data-zone=nape]')).toHaveAttribute('aria-label', /regrowth 14 mm/);

  // Why so much? One look; then the formula of last time, as it is.
  await point(() => page.locator('[data-why=quantity]').first().click());
  await expect(page.locator('.why-panel')).toContainText('The report');
  await key(1, () => page.keyboard.press('Escape'));
  await key(1, () => page.keyboard.press('l'));
  await expect(page.locator('.mix[aria-pressed=true]')).toContainText('made by hand');

  // Asked her, a day for it, signed.
  await point(() => page.getByLabel('asked for this kit').check());
  await key(8, () => page.locator('#f-plan-wantBy').fill('2027-01-12'));
  await expect(page.locator('.dates')).toContainText('colour');
  await key(2, () => page.keyboard.press('Control+Enter'));
  await page.waitForURL(/kits\//);
  await expect(page.getByRole('heading', { name: 'Weigh' })).toBeVisible();
  const machine = (performance.now() - from) / 1000;

  console.log(`path: ${actions} actions, about ${human.toFixed(0)} s of a person's and ${machine.toFixed(1)} s of the machine's time`);
  expect(actions).toBeLessThan(15);
  expect(human + machine).toBeLessThan(60);

  // And it is the kit it should be.
  const kit = page.url().split('/').pop();
  const document = sql(`select case_document from prescription p join kit k on k.prescription_id = p.id where k.id = '${kit}'`);
  const answer = prescribe(document);
  expect(answer.decision).toBe('kit');
  for (const pair of answer.formulas[0].pairs)
    for (const part of pair.parts) await expect(page.locator('.weigh').first()).toContainText(`${part.grams.toFixed(1)} g`);
  expect(answer.because.some(b => b.rule === 'DO8')).toBe(true);
});
