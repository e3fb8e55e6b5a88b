// A sitting: nothing typed is lost, every step can be taken back, and last time stands beside this time.
import { test, expect, accessible, fits, openSitting, signIn } from './help.mjs';

test('a sitting that was left is taken up again by whoever began it, and can be begun afresh', async ({ browser, page }) => {
  await signIn(page);
  await openSitting(page, 'Ilse');
  const level = page.locator('#f-goal-level');
  const before = await level.inputValue();
  await level.fill('4.5');
  await expect(page.locator('#state')).toHaveText('kept as a draft');
  await page.goto(process.env.KITTO_URL + '/');
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, { keepDrafts: true });
  await openSitting(other, 'Ilse');
  await expect(other.locator('#f-goal-level')).toHaveValue('4.5');
  await expect(other.locator('#state')).toContainText('Taken up where you left it');
  await accessible(other);
  await fits(other);
  await other.getByRole('button', { name: 'begin afresh' }).click();
  await expect(other.locator('#f-goal-level')).toHaveValue(before);
  await expect(other.getByRole('button', { name: 'begin afresh' })).toHaveCount(0);
});

test('undo and redo go over the whole sitting: fields, zones, mix and lanes', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 });
  await signIn(page);
  await openSitting(page, 'Nuala');
  const porosity = page.locator('#f-hair-porosity');
  const crown = page.locator('#f-zones-crown-greyPercent');
  const order = page.locator('#f-painting-order');
  const grey = await crown.inputValue();
  const pause = () => page.waitForTimeout(450);
  await porosity.selectOption('high');
  await pause();
  await page.locator('.zone[data-zone=crown]').focus();
  await page.keyboard.press('+');
  await pause();
  await expect(crown).not.toHaveValue(grey);
  await page.locator('.lane-move').nth(3).focus();
  await page.keyboard.press('ArrowDown');
  await expect(order).toHaveValue('own');
  await pause();
  await page.keyboard.press('l');
  await expect(page.locator('[name=mix]')).not.toHaveValue('');
  await expect(page.locator('.mix[aria-pressed=true]')).toContainText('made by hand');
  await pause();

  await page.keyboard.press('Control+z');
  await expect(page.locator('[name=mix]')).toHaveValue('');
  await page.keyboard.press('Control+z');
  await expect(order).toHaveValue('');
  await page.keyboard.press('Control+z');
  await expect(crown).toHaveValue(grey);
  await expect(page.locator('.zone[data-zone=crown]')).toHaveAttribute('aria-label', new RegExp(`${grey} % white`));
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(porosity).toHaveValue('normal');
  await expect(page.getByRole('button', { name: 'undo' })).toBeDisabled();
  await page.getByRole('button', { name: 'redo' }).click();
  await expect(porosity).toHaveValue('high');
  await page.keyboard.press('Control+Shift+z');
  await expect(crown).not.toHaveValue(grey);
  // A new step after going back leaves no way forward.
  await porosity.selectOption('low');
  await pause();
  await expect(page.getByRole('button', { name: 'redo' })).toBeDisabled();
  await accessible(page);
});

test('last time stands beside this time', async ({ page }) => {
  await signIn(page);
  await openSitting(page, 'Sunniva');
  await expect(page.locator('.last-time')).toContainText('came out right; 16 g left');
  await expect(page.locator('.last-time')).toContainText(/Then \d+ mm and .* white, now \d+ mm/);
});
