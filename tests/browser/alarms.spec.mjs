// A stop reaches a colourist on whatever page she is, within five seconds, and stands there until it is put away.
import { test, expect, accessible, fits, guideOf, signIn } from './help.mjs';

test('a reaction is marked on every page of the studio within five seconds', async ({ browser, page }) => {
  await signIn(page);
  const { kit, link } = await guideOf(page, 'Edda');
  await page.goto(process.env.KITTO_URL + '/shelf');
  // The demo has a stop of its own; this one comes on top.
  const mark = page.locator('#alarm-mark');
  await expect(mark).toContainText(/stopped/i);
  const before = await mark.innerText();

  const client = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await client.goto(link);
  await client.locator('#burns > summary').click();
  await expect(client.getByRole('link', { name: /Call Slipway Colour Studio/ })).toHaveAttribute('href', 'tel:+441632960417');
  await accessible(client);
  await fits(client);
  const told = Date.now();
  await client.getByRole('button', { name: 'Stop this kit and tell my colourist' }).click();
  await expect(mark).not.toHaveText(before, { timeout: 5000 });
  expect(Date.now() - told).toBeLessThan(5000);
  await accessible(page);
  await expect(client.getByText('Your colourist got this on')).toBeVisible();
  await expect(client.getByText('If nobody has called you within an hour')).toBeVisible();

  // Put away, it is marked no longer, on another page that stood open too.
  const other = await page.context().newPage();
  await other.goto(process.env.KITTO_URL + '/house');
  await expect(other.locator('#alarm-mark')).toBeVisible();
  await page.goto(`${process.env.KITTO_URL}/kits/${kit}`);
  await page.getByRole('button', { name: 'I have spoken to her; put away' }).click();
  await other.bringToFront();
  await expect(other.locator('#alarm-mark')).toHaveText(before, { timeout: 5000 });
});
