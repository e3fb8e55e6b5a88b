// People of the studio: asked in, given a role, signed out from afar; and the trail of it.
import { test, expect, accessible, fits, signIn } from './help.mjs';

const at = path => process.env.KITTO_URL + path;

test('a colleague is asked in, comes in, is given another role and leaves', async ({ browser, page }) => {
  await signIn(page);
  await page.goto(at('/house'));
  await page.getByRole('link', { name: 'People' }).click();
  await accessible(page);
  await fits(page);
  await page.getByLabel('colourist reads heads').check();
  await page.getByRole('button', { name: 'Make an invitation' }).click();
  const address = await page.getByLabel('Address of the invitation').inputValue();
  await accessible(page);

  const theirs = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await theirs.goto(address);
  await accessible(theirs);
  await fits(theirs);
  await theirs.getByLabel('Your name').fill('Ines Vårdal');
  await theirs.getByLabel('Name to sign in with').fill('ines');
  await theirs.getByLabel('Password').fill('short');
  await theirs.getByRole('button', { name: 'Come in' }).click();
  await expect(theirs.getByText('10 to 200 characters')).toBeVisible();
  await expect(theirs.getByLabel('Your name')).toHaveValue('Ines Vårdal');
  await theirs.getByLabel('Password').fill('harbour-lights-9');
  await theirs.getByRole('button', { name: 'Come in' }).click();
  await expect(theirs).toHaveURL(at('/'));
  await expect(theirs.getByRole('navigation', { name: 'Places' }).getByRole('link')).toHaveText(['Today', 'Clients', 'Bench', 'Shelf', 'Study']);

  // The same link again is closed; she signs in by her name from then on.
  await theirs.goto(address);
  await expect(theirs.getByRole('heading', { name: 'This invitation is closed' })).toBeVisible();
  await theirs.goto(at('/'));
  await theirs.getByRole('button', { name: 'Sign out' }).click();
  await theirs.getByLabel('Name').fill('ines');
  await theirs.getByLabel('Password').fill('harbour-lights-9');
  await theirs.getByRole('button', { name: 'Sign in' }).click();
  await expect(theirs).toHaveURL(at('/'));

  // The role counts from the next page she opens.
  await page.goto(at('/house/people'));
  await page.getByLabel('What Ines Vårdal is').selectOption('bench');
  await page.getByRole('button', { name: 'Keep Ines Vårdal' }).click();
  await expect(page.getByRole('status')).toContainText('Kept');
  await theirs.goto(at('/'));
  await expect(theirs).toHaveURL(at('/bench'));
  await theirs.goto(at('/clients'));
  await expect(theirs.getByRole('heading', { name: 'Not yours to open' })).toBeVisible();
  await accessible(theirs);
  await theirs.goto(at('/bench'));
  await theirs
    .getByRole('link', { name: /kit \d/ })
    .first()
    .click();
  await fits(theirs);
  await accessible(theirs);

  // Her own account, and the owner's.
  await theirs.goto(at('/me'));
  await accessible(theirs);
  await fits(theirs);
  await page.goto(at('/me'));
  await accessible(page);
  await expect(page.getByText(', here')).toBeVisible();

  // She works here no longer.
  await page.goto(at('/house/people'));
  await page.locator('.person', { hasText: 'Ines Vårdal' }).getByLabel('works here no longer').check();
  await page.getByRole('button', { name: 'Keep Ines Vårdal' }).click();
  await theirs.goto(at('/bench'));
  await expect(theirs).toHaveURL(/\/signin/);

  // All of it is in the trail.
  await page.goto(at('/house/trail?kind=person.'));
  await expect(page.locator('.trail-lines')).toContainText('role: was colourist, is bench');
  await accessible(page);
  await fits(page);
});

test('a learner looks on: what they may not do is not shown, and what they type is reckoned', async ({ browser, page }) => {
  await signIn(page);
  await page.goto(at('/house/people'));
  await page.getByLabel('learner looks on').check();
  await page.getByRole('button', { name: 'Make an invitation' }).click();
  const address = await page.getByLabel('Address of the invitation').inputValue();
  const theirs = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await theirs.goto(address);
  await theirs.getByLabel('Your name').fill('Odd Lerøy');
  await theirs.getByLabel('Name to sign in with').fill('odd');
  await theirs.getByLabel('Password').fill('harbour-lights-9');
  await theirs.getByRole('button', { name: 'Come in' }).click();
  await expect(theirs).toHaveURL(at('/'));
  await expect(theirs.getByRole('link', { name: 'New client' })).toHaveCount(0);
  await theirs.goto(at('/clients?find=Lotte'));
  await theirs.locator('.line').first().click();
  await theirs.getByRole('link', { name: 'Reading and prescription' }).click();
  await expect(theirs.locator('#sign')).toHaveCount(0);
  await theirs.locator('#f-goal-level').fill('5');
  await expect(theirs.locator('.formula').first()).toContainText('5N');
  await accessible(theirs);
  await theirs.goto(at('/shelf'));
  await expect(theirs.getByRole('button', { name: 'Keep stock' })).toHaveCount(0);
  await accessible(theirs);
});
