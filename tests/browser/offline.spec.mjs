// The guide without a network: opened once, it is there; what is said waits on the phone, is shown as not sent, and goes once.
import { line } from './line.mjs';
import { test, expect, accessible, fits, guideOf, later, signIn, sql, start, tap, until } from './help.mjs';

const phone = { width: 390, height: 844 };

/** The newest kit of somebody and the link to its guide. */
async function linkOf(page, name) {
  await signIn(page);
  return guideOf(page, name);
}

/** A phone on a line that can be cut, with the guide opened once and kept. */
async function opened(browser, link) {
  const wire = await line();
  const context = await browser.newContext({ viewport: phone });
  const page = await context.newPage();
  const problems = [];
  page.on('pageerror', e => problems.push(e.message));
  await page.goto(wire.through(link));
  await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 15_000 });
  return { wire, context, page, problems };
}

test('a run is begun, painted and reloaded without a network, and told once when there is one', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  const { kit, link } = await linkOf(studio, 'Maren');
  const { wire, context, page, problems } = await opened(browser, link);

  // Closed and opened again with nothing to reach: the page, its words and its look are there.
  wire.cut();
  await page.close();
  const again = await context.newPage();
  again.on('pageerror', e => problems.push(e.message));
  await again.goto(wire.through(link));
  await expect(again.getByRole('heading', { name: 'You can start' })).toBeVisible();
  await again.locator('#burns > summary').click();
  await expect(again.locator('#burns a.ambulance')).toBeVisible();
  await again.locator('[data-shut=burns]').click();
  expect(await again.evaluate(() => document.fonts.check('20px Atkinson'))).toBe(true);
  await accessible(again);

  // Begun without a network: one thing and a clock, also after a reload in the middle of it.
  await start(again);
  await expect(again.locator('.step.shown h1')).toHaveText('Get ready');
  await expect(again.getByRole('heading', { name: 'You can start' })).toBeHidden();
  await until(again, 'paint');
  await tap(again);
  const zone = await again.locator('.step.shown').getAttribute('data-zone');
  await expect(again.locator('#run-time')).toHaveText(/00:0[2-9]/, { timeout: 8000 });
  await again.reload();
  await expect(again.locator('.step.shown')).toHaveAttribute('data-zone', zone);
  await expect(again.locator('#run-time')).toHaveText(/00:[0-5]\d/);
  expect(sql(`select count(*) from run_step where kit_id = '${kit}' and begun_at > now() - interval '5 minutes'`)).toBe('0');

  // With a network everything is told, each word once, at the moments it was done; the server's own page goes on from there.
  wire.mend();
  await expect
    .poll(() => sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'start' and begun_at > now() - interval '5 minutes'`))
    .toBe('1');
  await expect(again.locator('.run[x-data=run]:not([data-started])')).toBeVisible({ timeout: 15_000 });
  await expect(again.locator('.step.shown')).toHaveAttribute('data-zone', zone);
  expect(sql(`select count(*) - count(distinct id) from run_step where kit_id = '${kit}'`)).toBe('0');

  // The link is closed while colour is on the head and the line is cut: what is on the head is seen through.
  wire.cut();
  await tap(again);
  const later2 = await again.locator('.step.shown').getAttribute('data-zone');
  sql(`update link set revoked_at = now() where kit_id = '${kit}' and revoked_at is null`);
  await again.reload();
  await expect(again.locator('.step.shown')).toHaveAttribute('data-zone', later2);
  wire.mend();
  await expect
    .poll(() => sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'step' and begun_at > now() - interval '5 minutes'`), { timeout: 15_000 })
    .toBe(await again.locator('.step.shown').getAttribute('data-step'));
  await again.reload();
  await expect(again.locator('.step.shown')).toHaveAttribute('data-zone', later2);
  expect(problems).toEqual([]);
  await context.close();
  await wire.close();
  // As it was found, for whoever comes to this kit next.
  sql(`delete from run_step where kit_id = '${kit}'`);
});

test('a skin test that reacted, told without a network, is shown as not sent, survives a reload and stops the kit once', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, link } = await linkOf(studio, 'Odile');
  later(kit, '1 day');
  const { wire, page, problems } = await opened(browser, link);
  wire.cut();
  await page
    .getByText(/I can see or feel something/)
    .first()
    .click();
  await page.getByRole('button', { name: 'Report a reaction and stop' }).first().click();
  await expect(page.getByText('your skin test result')).toBeVisible();
  await accessible(page);
  await fits(page);
  await page.reload();
  await expect(page.getByText('your skin test result')).toBeVisible();
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toBe('0');
  wire.mend();
  await expect(page.getByRole('heading', { name: 'Stop', exact: true })).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('your skin test result')).toBeHidden();
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toBe('1');
  expect(problems).toEqual([]);
  await wire.close();
});

test('the burn button without a network waits over reloads, and "it was nothing" takes it back', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, link } = await linkOf(studio, 'Wilma');
  const { wire, page } = await opened(browser, link);
  const burn = async () => {
    await page.locator('#burns > summary').click();
    await page.getByRole('button', { name: 'Stop this kit and tell my colourist' }).click();
  };
  wire.cut();
  await burn();
  await expect(page.getByText('Not sent yet. Stop and rinse.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('your report that it burns or itches')).toBeVisible();
  await page.locator('#burns > summary').click();
  await page.getByRole('button', { name: 'Cancel my report' }).click();
  await expect(page.getByText('your report that it burns or itches')).toBeHidden();
  wire.mend();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Skin test' })).toBeVisible();
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toBe('0');
  // Two words from a page that was kept are two, and go in the order in which they were said.
  wire.cut();
  await page.getByRole('button', { name: 'Start the 48 hours' }).click();
  await expect(page.getByText('the start of your skin test')).toBeVisible();
  await burn();
  await expect(page.getByText('Not sent yet. Stop and rinse.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('your report that it burns or itches')).toBeVisible();
  await expect(page.getByText('the start of your skin test')).toBeVisible();
  const said = sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'skinOn'`);
  wire.mend();
  await expect(page.getByRole('heading', { name: 'Stop', exact: true })).toBeVisible({ timeout: 20_000 });
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toBe('1');
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'skinOn'`)).toBe(String(Number(said) + 1));
  await wire.close();
});

test('a guide can be put on the home screen', async ({ page: studio, request }) => {
  const { link } = await linkOf(studio, 'Edda');
  const manifest = await (await request.get(link + '/app.webmanifest')).json();
  expect(manifest).toMatchObject({ start_url: new URL(link).pathname, display: 'standalone' });
  for (const icon of manifest.icons) expect((await request.get(process.env.KITTO_URL + icon.src)).ok()).toBe(true);
});
