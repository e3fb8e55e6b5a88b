// The study: a head is read, prescribed and signed, and what would have come of it is told; drills and rounds.
import { test, expect, accessible, fits, signIn, today } from './help.mjs';

const at = path => process.env.KITTO_URL + path;

test('a head is signed and judged, with the drawings of the real page, and the next one comes', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await today(page);
  await page.keyboard.press('y');
  await expect(page).toHaveURL(at('/study'));
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: 'Take one: own level' }).click();
  await page.waitForURL(/study\/heads/);
  await expect(page.locator('.strand.found')).toHaveCount(4);
  await expect(page.locator('.ladder li')).toHaveCount(10);
  await fits(page);

  // What is not needed for a refusal is not asked for.
  await page.getByLabel('no colour').check();
  await expect(page.getByLabel('developer', { exact: true })).toBeHidden();
  await page.getByLabel('a kit').check();
  await page.getByLabel('developer', { exact: true }).fill('30');
  await page.getByLabel('mix with developer').fill('much');
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('What you typed is still here');
  await expect(page.locator('#f-grams-error')).toContainText('5 to 1000 g');
  await expect(page.getByLabel('developer', { exact: true })).toHaveValue('30');
  await accessible(page);

  await page.getByLabel('service').selectOption('root touch-up');
  await page.locator('#f-shade1').selectOption('lantern-cream/5N');
  await page.getByLabel('mix with developer').fill('60');
  await page.getByLabel('order').selectOption('front first');
  await page.getByLabel('after the last stroke').fill('35');
  await page.getByRole('button', { name: 'Sign', exact: true }).click();

  // Thirty volumes may not be posted: that is harm, and it is said first.
  await expect(page.locator('#judged')).toHaveText('Somebody could be hurt');
  await expect(page.locator('.findings li').first()).toHaveClass('harm');
  await expect(page.locator('.trial-differs tbody tr', { hasText: 'developer' })).toContainText('30 vol');
  await expect(page.locator('.two-ways .strand')).toHaveCount(2);
  await expect(page.locator('.two-ways .clock')).toHaveCount(2);
  await accessible(page);
  for (const width of [1280, 1024, 390, 320]) {
    await page.setViewportSize({ width, height: 844 });
    await fits(page);
  }
  await page.getByRole('button', { name: 'Next head' }).click();
  await expect(page.getByRole('heading', { name: 'Head 2' })).toBeVisible();
  await fits(page);
});

test('a drill is answered from the keyboard; a round goes onto paper', async ({ page }) => {
  await signIn(page);
  await page.goto(at('/study/drills/opposites'));
  await page.locator('.drill-options button').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.told .right')).toHaveCount(1);
  await accessible(page);
  await page.getByRole('link', { name: 'Next' }).click();
  await expect(page.locator('.lead-in')).toContainText('of 1');

  await page.goto(at('/study'));
  await page.getByLabel('Open a round called').fill('Thursday evening');
  await page.getByRole('button', { name: 'Open it' }).click();
  const round = page.url();
  await page.getByRole('button', { name: 'Take the first head' }).click();
  await page.getByLabel('no colour').check();
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  await page.goto(round);
  await expect(page.locator('.round tbody tr').first()).toContainText(/\d+/);
  await accessible(page);
  await fits(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.locator('.round')).toBeVisible();
});
