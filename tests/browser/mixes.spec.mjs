// The strand, the tray and the mix made by hand: by pointer and by keys; the shelf that the search works from.
import { test, expect, accessible, fits, openSitting, signIn } from './help.mjs';

const open = async page => {
  await signIn(page);
  await openSitting(page, 'Lotte');
  await page.locator('#f-goal-level').fill('5');
  await page.locator('#f-goal-tone').selectOption('G');
  await expect(page.locator('.reasons').first()).toContainText('level 5 G');
};
const far = async page => Number((await page.locator('.strand-says').innerText()).split(' ')[0]);

test('lanes are moved by pointer and by keys, hands and order chosen, and the clock says what it costs', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 });
  await open(page);
  const lanes = () => page.locator('.lane-move').evaluateAll(all => all.map(l => l.dataset.zone));
  const before = await lanes();
  const last = before.at(-1);
  await page.locator('#lane-' + last).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('#lane-' + last)).toHaveAttribute('aria-valuenow', String(before.length - 1));
  await expect(page.locator('#lane-' + last)).toBeFocused();
  await expect(page.locator('#f-painting-order')).toHaveValue('own');
  await expect(page.locator('[name="painting.sequence"]')).toHaveValue(new RegExp(`${last}, ${before.at(-2)}$`));
  await expect(page.locator('.reasons').first()).toContainText('In your own order, because you want it so');

  await page.locator('.clock-box').scrollIntoViewIfNeeded();
  const from = await page.locator('#lane-' + last + ' rect').boundingBox();
  const to = await page.locator('#lane-' + before[0] + ' rect').boundingBox();
  await page.mouse.move(from.x + 20, from.y + 5);
  await page.mouse.down();
  await page.mouse.move(to.x + 20, to.y + 5, { steps: 12 });
  await page.mouse.up();
  await expect(page.locator('#lane-' + last)).toHaveAttribute('aria-valuenow', '1');
  expect((await lanes())[0]).toBe(last);
  await accessible(page);

  // Another pair of hands moves the rinse; another order takes the place of the lanes.
  const rinse = await page.locator('.rinse-name').textContent();
  await page.locator('#f-hands-who').selectOption('trained');
  await expect(page.locator('.rinse-name')).not.toHaveText(rinse);
  await page.locator('#f-painting-order').selectOption('frontFirst');
  await expect(page.locator('[name="painting.sequence"]')).toHaveValue('');
  await expect(page.locator('#lane-frontHairline')).toHaveAttribute('aria-valuenow', '1');
  await expect(page.locator('.reasons').first()).toContainText('Front first, because you want it so');
  await page.locator('#f-painting-order').selectOption('');
  await expect.poll(lanes).toEqual(before);
});

test('the line of demarcation is dragged and nudged, and the number and the head go with it', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await open(page);
  await page.locator('.zone[data-zone=crown] .zone-ground').click();
  await page.locator('.zone-fields.shown').getByLabel('regrowth', { exact: true }).fill('15');
  await expect(page.locator('#line-handle')).toHaveAttribute('aria-valuenow', '15');
  await page.locator('#line-handle').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('#f-zones-crown-regrowthMm')).toHaveValue('16');
  await expect(page.locator('#line-handle')).toHaveAttribute('aria-valuenow', '16');
  await expect(page.locator('#line-handle')).toBeFocused();
  const box = await page.locator('#line-handle circle').boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 110, box.y + 5, { steps: 8 });
  await page.waitForTimeout(400);
  await page.mouse.move(box.x + 150, box.y + 5, { steps: 4 });
  await page.mouse.up();
  const dragged = Number(await page.locator('#f-zones-crown-regrowthMm').inputValue());
  expect(dragged).toBeGreaterThan(20);
  await expect(page.locator('.zone[data-zone=crown]')).toHaveAttribute('aria-label', new RegExp(`regrowth ${dragged} mm`));
  await expect(page.locator('.strand')).toHaveAttribute('aria-label', new RegExp(`crown: ${dragged} mm`));
});

/** Pulls a handle of the bowl round to a share, clockwise from the top. */
async function turn(page, handle, share) {
  const [bowl, grip] = [await page.locator('svg.bowl').boundingBox(), await page.locator(`${handle} .part-grip`).boundingBox()];
  const [x, y] = [bowl.x + bowl.width / 2, bowl.y + bowl.height / 2];
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(x + 40 * Math.sin(share * 2 * Math.PI), y - 40 * Math.cos(share * 2 * Math.PI), { steps: 10 });
  await page.mouse.up();
}

test('a mix is made by hand: taken, moved by pointer and keys, added to, and given back', async ({ page }) => {
  const problems = [];
  page.on('pageerror', e => problems.push(e.message));
  await page.setViewportSize({ width: 1280, height: 800 });
  await open(page);
  const searched = await page.locator('#mix-now').getAttribute('data-mix');
  const best = await far(page);

  const other = await page.locator('#mix-1').getAttribute('data-mix');
  await page.locator('#mix-1').click();
  await expect(page.locator('#mix-0')).toHaveAttribute('data-mix', other);
  await expect(page.locator('#mix-0')).toContainText('made by hand');
  await accessible(page);

  // One shade alone, then a second one by the list, then the border by keys and by pointer.
  await page.locator('[name=mix]').evaluate(field => {
    field.value = '5N:1';
    field.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', '5N:1');
  await page.locator('#hand-add').selectOption('5AG');
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', '5N:0.9 5AG:0.1');
  await page.locator('#hand-0').focus();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('ArrowLeft');
    await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', `5N:${(0.8 - i / 10).toFixed(1)} 5AG:${(0.2 + i / 10).toFixed(1)}`);
  }
  await expect(page.locator('#hand-0')).toBeFocused();
  await turn(page, '#hand-0', 0.31);
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', '5N:0.3 5AG:0.7');
  await turn(page, '#hand-0', 0.02);
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', '5AG:1');
  expect(await far(page)).toBeGreaterThan(best);
  await expect(page.locator('.formula')).toContainText('5AG');

  // The same by plain fields: a share, and a strength of its own.
  await page.locator('#hand-add').selectOption('5N');
  await page.locator('#share-1').fill('25');
  await page.locator('#share-1').press('Tab');
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', '5AG:0.75 5N:0.25');
  await page.locator('#hand-strength').selectOption('@10');
  await expect(page.locator('.formula')).toContainText('10 vol');
  await expect(page.locator('.attention')).toContainText('10 vol is weaker than the 20 vol');
  await page.locator('#share-0').fill('120');
  await page.locator('#share-0').press('Tab');
  await expect(page.locator('#state')).toContainText('above 0 and below 100');
  await expect(page.locator('#share-0')).toHaveValue('120');
  await accessible(page);

  await page.locator('#mix-search').click();
  await expect(page.locator('#mix-now')).toHaveAttribute('data-mix', searched);
  // Another line has other shades: the mix made by hand does not go with it.
  await page.locator('#mix-1').click();
  await expect(page.locator('#mix-0')).toContainText('made by hand');
  await page.locator('#f-line').selectOption('halyard-demi');
  await expect(page.locator('.formula-ratio')).toContainText('Halyard Demi');
  await expect(page.locator('#mix-0')).toContainText('taken');
  expect(problems).toEqual([]);
});

for (const [name, view] of [
  ['desktop', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
]) {
  test(`the shelf at ${name} size: stock is ticked, a wrong file changes nothing`, async ({ page }) => {
    await page.setViewportSize(view);
    await signIn(page);
    await page.goto(process.env.KITTO_URL + '/shelf');
    await accessible(page);
    await fits(page);
    const gloss = page.locator('form.shelf-line', { hasText: 'Tidewash Gloss' });
    const shade = gloss.getByLabel('9N', { exact: true });
    const before = await shade.isChecked();
    await shade.setChecked(!before);
    await gloss.getByRole('button', { name: 'Keep stock' }).click();
    await expect(page.getByRole('status')).toContainText('Tidewash Gloss');
    await expect(page.locator('form.shelf-line', { hasText: 'Tidewash Gloss' }).getByLabel('9N', { exact: true })).toBeChecked({ checked: !before });
    await page
      .getByLabel('Take over a file')
      .setInputFiles({ name: 'shades.csv', mimeType: 'text/csv', buffer: Buffer.from('line,shade,inStock\ntidewash-gloss,99N,yes\n') });
    await page.getByRole('button', { name: 'Take over', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('Row 2: shade is "99N"');
    await accessible(page);
  });
}

for (const [name, view] of [
  ['desktop', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }],
]) {
  test(`the rules and what is decided for one client at ${name} size`, async ({ page }) => {
    await page.setViewportSize(view);
    await signIn(page);
    await page.goto(process.env.KITTO_URL + '/house/rules');
    await accessible(page);
    await fits(page);
    await page.getByLabel('Find a rule').fill('hairline reason');
    await page.getByRole('button', { name: 'Find' }).click();
    await expect(page.locator('.rule-id')).toContainText(['AP19']);
    await page.goto(process.env.KITTO_URL + '/clients?find=Maren');
    await page.getByRole('link', { name: /Maren/ }).click();
    await page.getByRole('button', { name: 'Decide' }).click();
    await expect(page.locator('.theirs [role=alert]')).toContainText('Choose what is to be different');
    await page.getByLabel('Otherwise than the house').selectOption('AP10:undersideFirst');
    await page.getByLabel('because', { exact: true }).fill('her shoulder');
    await page.getByRole('button', { name: 'Decide' }).click();
    await expect(page.locator('.theirs-line')).toContainText('her shoulder');
    await accessible(page);
    await fits(page);
    await page.getByRole('button', { name: "back to the house's way" }).click();
    await expect(page.locator('.theirs-line')).toHaveCount(0);
  });
}
