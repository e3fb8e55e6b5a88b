// From a phone's picture to a signed reading: taken in, measured, taken over with one key, signed.
import { join } from 'node:path';
import { test, expect, accessible, fits, root, signIn, openSitting, sql, clientOf } from './help.mjs';
import { line } from './line.mjs';

const at = path => process.env.KITTO_URL + path;
const drawn = zone => join(root, 'data', 'demo', 'pictures', `nuala-${zone}.jpg`);

test('a picture from the phone is measured and becomes a signed reading', async ({ browser, page }) => {
  await signIn(page);
  // The picture is sent from a phone.
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, storageState: await page.context().storageState() })).newPage();
  await phone.goto(at('/clients?find=Lotte'));
  await phone.locator('.line').first().click();
  await phone.getByRole('link', { name: 'Pictures' }).click();
  await accessible(phone);
  await fits(phone);
  for (const zone of ['crown', 'frontHairline']) {
    await phone.getByLabel('Zone').selectOption(zone);
    await phone.getByLabel('Picture', { exact: true }).setInputFiles(drawn(zone));
    await phone.getByLabel('Outline on this print').fill('85.2');
    await phone.getByRole('button', { name: 'Measure' }).click();
    await expect(phone.locator('.head-picture').first()).toContainText('regrowth');
  }
  await expect(phone.locator('.head-picture')).toHaveCount(2);
  await expect(phone.locator('.head-picture').first().locator('polyline.line')).toHaveCount(1);
  await accessible(phone);
  await fits(phone);
  // A file that is none is refused beside its field.
  await phone.getByLabel('Picture', { exact: true }).setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await phone.getByRole('button', { name: 'Measure' }).click();
  await expect(phone.getByRole('alert')).toContainText('not a photo we can read');

  // On the reading the values stand beside the fields; one key takes them all, undo gives them back.
  await openSitting(page, 'Lotte');
  const regrowth = page.locator('[name="zones.crown.regrowthMm"]');
  const before = await regrowth.inputValue();
  await page.locator('#picked').click();
  await page.keyboard.press('p');
  await expect(regrowth).toHaveValue('16');
  await expect(page.locator('[name="zones.frontHairline.regrowthMm"]')).toHaveValue('15');
  await expect(page.locator('[name="zones.crown.greyPercent"]')).toHaveValue('17');
  await page.locator('#undo').click();
  await expect(regrowth).toHaveValue(before);
  await page.locator('#redo').click();
  await expect(regrowth).toHaveValue('16');
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: 'Sign off' }).click();
  await page.waitForURL(/kits\//);
  const kit = page.url().split('/').pop();
  const signed = sql(
    `select r.document from reading r join prescription p on p.reading_id = r.id join kit k on k.prescription_id = p.id where k.id = '${kit}'`,
  );
  expect(JSON.parse(signed).zones.crown).toMatchObject({ regrowthMm: 16, greyPercent: 17 });
});

test('the card is one page, and says how to use it', async ({ page }) => {
  await signIn(page);
  await page.goto(at('/card'));
  await accessible(page);
  await fits(page);
  await page.emulateMedia({ media: 'print' });
  const card = await page.locator('.card-print').first().boundingBox();
  // 92 mm at 96 pixels an inch.
  expect(Math.abs(card.width - (92 / 25.4) * 96)).toBeLessThan(1);
});

test('a client is asked for pictures: looked at on the phone, kept without a network, measured, taken away', async ({ browser, page }) => {
  await signIn(page);
  const client = clientOf('Maren');
  await page.goto(at(`/clients/${client}/answers`));
  await page.getByRole('button', { name: 'Make a link to the questions' }).click();
  const link = await page.getByLabel('Address of the questions').inputValue();
  const wire = await line();
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  const problems = [];
  phone.on('pageerror', e => problems.push(e.message));
  await phone.goto(wire.through(link));
  const asked = name => phone.locator('.asked-picture', { has: phone.getByRole('heading', { name, exact: true }) });
  await expect(asked('Front hairline')).toBeVisible();
  await accessible(phone);
  await fits(phone);
  // Something typed above is not lost by a picture.
  await phone.locator('[name=reactions][value=no]').check();

  // No card in it: told at once, nothing is sent; a picture of the whole head needs none.
  const take = (name, file) => asked(name).locator('input[type=file]').setInputFiles(file);
  await take('Crown', join(root, 'docs', 'screenshots', 'ask.png'));
  await expect(asked('Crown').locator('.state')).toContainText('Part of the card is missing');
  await expect(asked('Crown').getByRole('button', { name: 'Send it anyway' })).toBeVisible();
  expect(sql(`select count(*) from picture where client_id = '${client}'`)).toBe('0');

  await phone.getByText('How to take them').click();
  await phone.locator('#rule').fill('12');
  await phone.locator('#rule').blur();
  await expect(phone.locator('#rule-wrong')).toHaveText('78 to 95 mm, or leave it empty.');
  await phone.locator('#rule').fill('85,6');
  await phone.locator('#rule').blur();
  await expect(phone.locator('#rule-wrong')).toBeEmpty();
  wire.cut();
  await take('Front hairline', drawn('frontHairline'));
  await expect(asked('Front hairline').locator('.state')).toContainText(/Not sent yet|No network/);
  wire.mend();
  await expect.poll(() => sql(`select count(*) from picture where client_id = '${client}' and print_mm between 85 and 86`), { timeout: 20_000 }).toBe('1');
  await take('Crown', drawn('crown'));
  await expect(asked('Crown').locator('.state')).toContainText('was measured', { timeout: 15_000 });
  await expect(phone.locator('[name=reactions][value=no]')).toBeChecked();
  await accessible(phone);
  await asked('Crown').getByRole('button', { name: 'Delete photo' }).click();
  await expect(asked('Crown').locator('.state')).toBeEmpty();
  await expect.poll(() => sql(`select count(*) from picture where client_id = '${client}'`)).toBe('1');
  expect(problems).toEqual([]);
  await wire.close();
  sql(`delete from picture where client_id = '${client}'; update link set revoked_at = now() where client_id = '${client}' and purpose = 'ask'`);
});
