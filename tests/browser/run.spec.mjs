// The run of a guide: it survives a reload, goes on on another device at the right second, needs no network, and answers when she is late.
import { test, expect, accessible, fits, guideOf, later, signIn, sql, start, tap, until } from './help.mjs';

const phone = { width: 390, height: 844 };
const seconds = async page => {
  const [m, s] = (await page.locator('#run-time').innerText()).split(':').map(Number);
  return m * 60 + s;
};

const rinse = async page => {
  const [h, m] = (await page.locator('#run-rinse').innerText()).match(/\d+/g).map(Number);
  return h * 60 + m;
};

test('a run goes on where it was, whatever happens to the phone', async ({ browser, page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  const { kit, link } = await guideOf(page, 'Maren');

  const first = await (await browser.newContext({ viewport: phone })).newPage();
  const problems = [];
  first.on('pageerror', e => problems.push(e.message));
  await first.goto(link);
  await start(first);
  await until(first, 'paint');
  const zone = first.locator('.step.shown');
  const began = await zone.getAttribute('data-zone');
  await first.getByText('All zones on one timeline').click();
  await expect(first.locator('#run-lanes svg')).toBeVisible();
  await accessible(first);
  await fits(first);

  // Four minutes on: the clock says so on this phone after a reload, and on another one to the second.
  sql(`update run_step set begun_at = begun_at - interval '4 minutes' where kit_id = '${kit}'`);
  await first.reload();
  await expect(zone).toHaveAttribute('data-zone', began);
  await expect.poll(() => seconds(first)).toBeGreaterThanOrEqual(240);
  const second = await (await browser.newContext({ viewport: phone })).newPage();
  second.on('pageerror', e => problems.push(e.message));
  await second.goto(link);
  await expect(second.locator('.step.shown')).toHaveAttribute('data-zone', began);
  await expect.poll(() => seconds(second)).toBeGreaterThanOrEqual(240);
  expect(Math.abs((await seconds(first)) - (await seconds(second)))).toBeLessThanOrEqual(1);
  // The same minute on both, or the next where it is just turning.
  expect(Math.abs((await rinse(first)) - (await rinse(second)))).toBeLessThanOrEqual(1);

  // Without a network the first phone goes on; with it again, the second follows.
  await first.context().setOffline(true);
  await tap(first);
  const other = await zone.getAttribute('data-zone');
  expect(other).not.toBe(began);
  await expect(second.locator('.step.shown')).toHaveAttribute('data-zone', began);
  await first.context().setOffline(false);
  await expect(second.locator('.step.shown')).toHaveAttribute('data-zone', other, { timeout: 15_000 });
  expect(sql(`select count(*) from run_step where kit_id = '${kit}'`)).toBe(sql(`select count(distinct id) from run_step where kit_id = '${kit}'`));

  // Far behind: she is told, the rinse has moved, and nothing was asked of her.
  const planned = await second.locator('#run-rinse').innerText();
  sql(`update run_step set begun_at = begun_at - interval '14 minutes' where kit_id = '${kit}'`);
  await second.reload();
  await expect(second.locator('#run-late')).not.toBeEmpty();
  await expect(second.locator('#run-rinse')).not.toHaveText(planned);
  await accessible(second);

  // The record is on the kit sheet.
  await page.goto(process.env.KITTO_URL + '/kits/' + kit);
  await expect(page.locator('.ran')).toContainText('2 of 9 zones begun');
  await accessible(page);

  // A step tapped by mistake is taken back, and is not what happened.
  await tap(second);
  await expect.poll(() => sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'step'`)).not.toBe('0');
  await tap(second, '#run-back');
  await expect(second.locator('#run-undone')).toContainText('Undone: ');
  await expect(second.locator('.step.shown')).toHaveAttribute('data-zone', other);
  await expect.poll(() => sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'back'`), { timeout: 15_000 }).toBe('1');

  // A phone whose clock is ten minutes ahead tells the right moments all the same.
  const wrong = await (await browser.newContext({ viewport: phone })).newPage();
  await wrong.addInitScript(() => {
    const now = Date.now;
    Date.now = () => now() + 600_000;
  });
  await wrong.goto(link);
  await expect(wrong.locator('.step.shown')).toHaveAttribute('data-zone', other);
  await tap(wrong);
  await tap(wrong, '#run-back');
  await expect.poll(() => sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'back'`), { timeout: 15_000 }).toBe('2');
  expect(sql(`select count(*) from run_step where kit_id = '${kit}' and begun_at > now() + interval '3 seconds'`)).toBe('0');
  await wrong.close();

  // Too old meanwhile: with colour on the head everything stays. Stopped meanwhile: it comes off now, and then it is over.
  later(kit, '20 days');
  await second.reload();
  await expect(second.locator('.step.shown')).toHaveAttribute('data-zone', other);
  await expect(second.getByText('Carry on, and rinse when the timer tells you to')).toBeVisible();
  await accessible(second);
  const third = await (await browser.newContext({ viewport: phone })).newPage();
  await third.goto(link);
  await third.locator('#burns > summary').click();
  await third.getByLabel('What do you feel or see').fill('My ears sting');
  await third.getByRole('button', { name: 'Stop this kit and tell my colourist' }).click();
  await expect(second.getByRole('heading', { name: 'Rinse now' })).toBeVisible({ timeout: 15_000 });
  await accessible(second);
  await fits(second);
  await second.getByRole('button', { name: 'All the colour is rinsed out' }).click();
  await expect(second.getByRole('heading', { name: 'Stop', exact: true })).toBeVisible();
  expect(sql(`select says from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toContain('My ears sting');
  expect(problems).toEqual([]);
});
