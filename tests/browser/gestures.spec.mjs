// Each drawing is an input: what is moved on it by pointer and by keys stands in the fields, in the sentences, in the stored reading and in the console's answer.
import { test, expect, accessible, fits, openSitting, prescribe, signIn, sql } from './help.mjs';

const zone = name => `.zone[data-zone=${name}]`;
const centre = async locator => {
  const b = await locator.boundingBox();
  return [b.x + b.width / 2, b.y + b.height / 2];
};

test('zone, line, part and lane, by pointer and by keys: the same value in the fields, the sentences, the stored reading and the console', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await openSitting(page, 'Ilse');
  const mm = name => page.locator(`#f-zones-${name}-regrowthMm`);
  const grey = name => page.locator(`#f-zones-${name}-greyPercent`);

  // Zone: a pointer picks it, a field moves it; the keys move it too.
  await page.mouse.click(...(await centre(page.locator(`${zone('crown')} .zone-ground`))));
  await grey('crown').fill('45');
  await page.locator(zone('nape')).focus();
  for (const key of ['ArrowUp', 'ArrowUp', '+', 'r']) await page.keyboard.press(key);
  const nape = [await mm('nape').inputValue(), await grey('nape').inputValue()];
  await expect(page.locator(zone('nape'))).toHaveAttribute('aria-label', new RegExp(`regrowth ${nape[0]} mm, ${nape[1]} % white, resistant`));

  // Line: pulled by the pointer on one zone, nudged by keys on the same.
  await page.mouse.click(...(await centre(page.locator(`${zone('crown')} .zone-ground`))));
  await expect(page.locator('#line-handle')).toHaveAttribute('data-zone', 'crown');
  const before = Number(await mm('crown').inputValue());
  const [x, y] = await centre(page.locator('#line-handle circle'));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 90, y, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => Number(await mm('crown').inputValue())).toBeGreaterThan(before + 1);
  const pulled = Number(await mm('crown').inputValue());
  await expect(page.locator('.strand')).toHaveAttribute('aria-label', new RegExp(`crown: ${pulled} mm`));
  await page.locator('#line-handle').focus();
  await page.keyboard.press('ArrowRight');
  await expect(mm('crown')).toHaveValue(String(pulled + 1));
  await expect(page.locator('.strand')).toHaveAttribute('aria-label', new RegExp(`crown: ${pulled + 1} mm`));

  // Lane: pulled to the end by the pointer, up again one place by a key.
  const lanes = () => page.locator('.lane-move').evaluateAll(all => all.map(l => l.dataset.zone));
  const first = (await lanes())[0];
  const [lx, ly] = await centre(page.locator('.lane-reach').first());
  const [, end] = await centre(page.locator('.lane-reach').last());
  await page.mouse.move(lx, ly);
  await page.mouse.down();
  await page.mouse.move(lx, end, { steps: 12 });
  await page.mouse.up();
  await expect.poll(async () => (await lanes()).at(-1)).toBe(first);
  await page.locator(`#lane-${first}`).focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => (await lanes()).at(-2)).toBe(first);
  await expect(page.locator('#lane-' + first)).toBeFocused();

  // Part: a border in the bowl by the pointer, then by a key.
  await page.locator('#mix-1').click();
  await expect(page.locator('#mix-0')).toContainText('made by hand');
  if ((await page.locator('.part-handle').count()) === 0) {
    await page.locator('#hand-add').selectOption({ index: 1 });
    await expect(page.locator('.part-handle')).toHaveCount(1);
  }
  const mix = () => page.locator('#mix-now').getAttribute('data-mix');
  const share = async () => Math.round(Number((await mix()).split(' ')[0].split(':')[1]) * 100);
  const [bowl, was] = [await page.locator('svg.bowl').boundingBox(), await share()];
  const to = was >= 60 ? 0.4 : 0.7;
  await page.mouse.move(...(await centre(page.locator('#hand-0 .part-grip'))));
  await page.mouse.down();
  await page.mouse.move(bowl.x + bowl.width / 2 + 40 * Math.sin(to * 2 * Math.PI), bowl.y + bowl.height / 2 - 40 * Math.cos(to * 2 * Math.PI), { steps: 10 });
  await page.mouse.up();
  await expect.poll(share).toBe(to * 100);
  await page.locator('#hand-0').focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(share).toBe(to * 100 - 10);
  await expect(page.locator('#share-0')).toHaveValue(String(to * 100 - 10));
  await expect(page.locator('.reasons').first()).toContainText('This mix was made by hand');
  await expect(page.locator('.reasons').first()).toContainText('In your own order, because you want it so');
  await accessible(page);

  const [wanted, order, crown] = [await mix(), await lanes(), [await mm('crown').inputValue(), await grey('crown').inputValue()]];
  const shown = { sent: await page.locator('.amounts .sent dd').innerText(), formula: (await page.locator('.formula').innerText()).replace(/\s+/g, ' ') };
  await page.getByLabel('asked for this kit').check();
  await page.getByRole('button', { name: 'Sign off' }).click();
  await page.waitForURL(/kits\//);
  const kit = page.url().split('/').pop();

  // The stored reading.
  const stored = JSON.parse(
    sql(`select r.document from reading r join prescription p on p.reading_id = r.id join kit k on k.prescription_id = p.id where k.id = '${kit}'`),
  );
  expect([stored.zones.crown.regrowthMm, stored.zones.crown.greyPercent]).toEqual(crown.map(Number));
  expect([stored.zones.nape.regrowthMm, stored.zones.nape.greyPercent, stored.zones.nape.resistant]).toEqual([...nape.map(Number), true]);
  expect(stored.painting.sequence).toEqual(order);

  // The console, on the same case.
  const document = sql(`select case_document from prescription p join kit k on k.prescription_id = p.id where k.id = '${kit}'`);
  const answer = prescribe(document);
  expect(answer.clock.zones.map(z => z.zone)).toEqual(order);
  expect(answer.formulas[0].parts.map(p => `${p.shade}:${p.share}`).join(' ')).toBe(wanted);
  expect(`${answer.quantity.sendGrams.toFixed(1)} g`).toBe(shown.sent);
  for (const part of answer.formulas[0].parts) expect(shown.formula).toContain(`${part.shade} ${part.grams.toFixed(1)} g`);
  expect(JSON.parse(document).zones.crown.regrowthMm).toBe(Number(crown[0]));
});

test('the brush paints what it holds, a stroke picks what it passes, mirror and last time fill a head at once, and undo takes each back', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await openSitting(page, 'Sunniva');
  const value = (name, what) => page.locator(`#f-zones-${name}-${what}`);
  const stroke = async (...names) => {
    const at = [];
    for (const name of names) at.push(await centre(page.locator(`${zone(name)} .zone-ground`)));
    await page.mouse.move(...at[0]);
    await page.mouse.down();
    for (const point of at.slice(1)) await page.mouse.move(...point, { steps: 6 });
    await page.mouse.up();
  };

  await stroke('leftTemple', 'leftFront', 'crown');
  await expect(page.locator('#picked')).toHaveText(/Left temple, left front.*crown/);
  await expect(page.locator('.zone[aria-pressed=true]')).toHaveCount(3);

  // The brush holds what it was given; an empty field is not painted.
  const right = await value('rightBack', 'regrowthMm').inputValue();
  await page.keyboard.press('b');
  await expect(page.locator('#brush')).toHaveAttribute('aria-pressed', 'true');
  await page.locator('#brush-greyPercent').fill('70');
  await page.locator('#brush-regrowthMm').fill('');
  await page.locator('#brush-resistant').selectOption('true');
  await stroke('leftBack', 'rightBack');
  for (const name of ['leftBack', 'rightBack']) {
    await expect(value(name, 'greyPercent')).toHaveValue('70');
    await expect(value(name, 'resistant')).toBeChecked();
  }
  await expect(value('rightBack', 'regrowthMm')).toHaveValue(right);
  await expect(page.locator(zone('leftBack'))).toHaveAttribute('aria-label', /70 % white, resistant/);
  await accessible(page);
  await page.locator(zone('nape')).focus();
  await page.keyboard.press('Enter');
  await expect(value('nape', 'greyPercent')).toHaveValue('70');
  await page.keyboard.press('Escape');
  await expect(page.locator('#brush')).toHaveAttribute('aria-pressed', 'false');

  // Her left on her right.
  await page.waitForTimeout(450);
  await page.locator(`${zone('leftTemple')} .zone-ground`).click();
  await value('leftTemple', 'regrowthMm').fill('21');
  await page.locator(`${zone('leftTemple')}`).focus();
  await page.keyboard.press('m');
  await expect(value('rightTemple', 'regrowthMm')).toHaveValue('21');
  await expect(page.locator(zone('rightTemple'))).toHaveAttribute('aria-label', /regrowth 21 mm/);

  // Last time's head, four weeks on: 12.5 mm a month.
  await page.waitForTimeout(450);
  await page.locator('#weeks-on').selectOption('4');
  await page.getByRole('button', { name: 'take it' }).click();
  await expect(value('crown', 'regrowthMm')).toHaveValue(/^1[12]$/);
  await expect(value('leftBack', 'greyPercent')).not.toHaveValue('70');
  await expect(page.locator('#last-now')).toContainText(/now 1[12] mm/);
  await page.waitForTimeout(450);
  await page.keyboard.press('Control+z');
  await expect(value('leftBack', 'greyPercent')).toHaveValue('70');
  await expect(value('rightTemple', 'regrowthMm')).toHaveValue('21');
  await fits(page);
});
