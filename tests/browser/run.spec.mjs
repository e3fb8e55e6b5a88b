// The run of a guide: it survives a reload, goes on on another device at the right second, needs no network, and answers when she is late.
import { test, expect } from '@playwright/test';
import { accessible, fits, signIn, sql } from './help.mjs';

const phone = { width: 390, height: 844 };
const seconds = async page => { const [m, s] = (await page.locator('#run-time').innerText()).split(':').map(Number); return m * 60 + s; };

test('a run goes on where it was, whatever happens to the phone', async ({ browser, page }) => {
  test.setTimeout(120_000);
  await signIn(page);
  await page.goto(process.env.KITTO_URL + '/clients?find=Maren');
  await page.locator('.line').first().click();
  await page.locator('.past a[href^="/kits"]').first().click();
  await page.waitForURL(/kits\//);
  const kit = page.url().split('/').pop();
  await page.getByRole('button', { name: /Make (the link|a new one)/ }).click();
  const link = await page.getByLabel('Link to her guide').inputValue();

  const first = await (await browser.newContext({ viewport: phone })).newPage();
  const problems = [];
  first.on('pageerror', e => problems.push(e.message));
  await first.goto(link);
  const next = first.locator('#run-next');
  while (await first.locator('.step.shown').getAttribute('data-kind') !== 'paint') await next.click();
  const zone = first.locator('.step.shown');
  const began = await zone.getAttribute('data-zone');
  await first.getByText('The whole clock').click();
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
  expect(Math.abs(await seconds(first) - await seconds(second))).toBeLessThanOrEqual(1);
  expect(await first.locator('#run-rinse').innerText()).toBe(await second.locator('#run-rinse').innerText());

  // Without a network the first phone goes on; with it again, the second follows.
  await first.context().setOffline(true);
  await next.click();
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

  // Locked meanwhile: the page goes back to the tests by itself.
  sql(`update test_report set applied_at = applied_at - interval '20 days' where kit_id = '${kit}' and kind = 'skin'`);
  await expect(second.getByRole('heading', { name: 'Before the day' })).toBeVisible({ timeout: 15_000 });
  expect(problems).toEqual([]);
});
