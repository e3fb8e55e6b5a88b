// The prescription page in all its states: why, what if not, two versions, keys, larger type, print, and nothing that jumps.
import { test, expect, accessible, fits, openSitting, signIn, sql, today } from './help.mjs';

const views = [
  ['1280x800', { width: 1280, height: 800 }],
  ['1440x900', { width: 1440, height: 900 }],
  ['1024x768', { width: 1024, height: 768 }],
];

test('a number opens its why, with the school and who chose it, and what another way would come to', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await page.goto(process.env.KITTO_URL + '/house/rules?find=TM2');
  await page.locator('[name="school.TM2"]').selectOption('firstStroke');
  await page.getByRole('button', { name: /Keep/ }).click();
  await openSitting(page, 'Nuala');
  const panel = page.locator('.why-panel');

  await page.locator('.clock-says button.why').click();
  await expect(panel).toContainText('from the first stroke. Chosen by Tove Marlin on');
  await expect(panel.locator('.used').first()).toContainText('first to last stroke');
  await expect(panel).toContainText('In another order');
  await expect(panel).toContainText('By another school');
  await accessible(page);
  // What it would come to is what it comes to.
  const way = panel.locator('.instead-ways > li', { hasText: 'outline first' }).first();
  const rinse = (await way.locator('.differs li', { hasText: 'rinse' }).locator('b').innerText()).replace(' min', '');
  await way.getByRole('button', { name: 'paint it so' }).click();
  await expect(page.locator('#f-painting-order')).toHaveValue('outlineFirst');
  await expect(page.locator('.rinse-name')).toHaveText(`rinse ${rinse} min`);
  await page.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);

  await page.locator('[data-why=developer]').click();
  await expect(panel).toContainText('Why this strength');
  await expect(panel).toContainText('With another developer');
  const other = panel.locator('.instead-ways > li', { hasText: 'the same shades with' }).first();
  const strength = (await other.locator('b').first().innerText()).replace('the same shades with ', '');
  await other.getByRole('button', { name: 'take it' }).click();
  await expect(page.locator('.formula')).toContainText(strength);
  await expect(panel).toContainText(new RegExp(`${strength} is (weaker|stronger) than the 10 vol`));
  for (const about of ['quantity', 'shade']) {
    await page.locator(`[data-why=${about}]`).first().click();
    await expect(panel).toContainText(about === 'quantity' ? 'Why so much' : 'Why this mix');
    await expect(panel.locator('#what-if')).not.toContainText('being reckoned');
    await accessible(page);
  }
  await page.goto(process.env.KITTO_URL + '/house/rules?find=TM2');
  await page.locator('[name="school.TM2"]').selectOption('lastStroke');
  await page.getByRole('button', { name: /Keep/ }).click();
});

test('two versions stand beside each other: what moved, what stayed, which reasons came', async ({ page }) => {
  await signIn(page);
  await openSitting(page, 'Maren');
  await page.locator('#f-goal-level').fill('4.5');
  await page.getByLabel('pregnant or feeding').check();
  await expect(page.locator('#state')).toHaveText('kept as a draft');
  await page.getByRole('link', { name: 'compare' }).click();
  await expect(page.locator('tr.moved', { hasText: 'wished level' })).toContainText('4.5');
  await expect(page.locator('tr.same', { hasText: 'natural level' })).toContainText('the same');
  await expect(page.getByRole('heading', { name: 'Said in the second only' })).toBeVisible();
  await expect(page.locator('.reasons').last()).toContainText('SA20');
  await accessible(page);
  const kits = await page.locator('#then option').count();
  await page.locator('#now').selectOption({ index: kits - 1 });
  await page.getByRole('button', { name: 'Lay beside' }).click();
  await expect(page.locator('.two-versions').first()).toBeVisible();
  await fits(page);
  await page.goto(page.url().replace(/now=[^&]+/, 'now=00000000-0000-0000-0000-000000000000'));
  await expect(page.getByRole('heading')).toContainText(/not|found|nothing/i);
});

for (const [name, view] of views) {
  test(`the page at ${name}: nothing is cut, nothing jumps while numbers move, and it is accessible`, async ({ page }) => {
    await page.setViewportSize(view);
    await signIn(page);
    await openSitting(page, 'Sunniva');
    const places = () =>
      page.evaluate(() =>
        ['.sitting-head', '.facts', '#head-drawing', '.verdict', '.strand', '.bowl', '.mixes', '.by-hand', '.clock'].map(p => {
          const b = document.querySelector(p).getBoundingClientRect();
          return `${p} ${Math.round(b.x)} ${Math.round(b.y)} ${Math.round(b.width)}`;
        }),
      );
    const before = await places();
    await page.locator('.zone[data-zone=crown]').focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
    await expect(page.locator('#state')).toHaveText('kept as a draft');
    await page.waitForTimeout(300);
    // The note of a draft that was taken up, and "begin afresh", are gone or there alike.
    expect((await places()).slice(1)).toEqual(before.slice(1));
    // No text of the panels is wider than its place.
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll('.formula, .amounts dd, .mix-parts span, .mix-why, .strand-says, .reason span, .holds, .fact, legend')]
        .filter(e => e.offsetParent && e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).display !== 'inline')
        .map(e => e.className + ': ' + e.textContent.trim()),
    );
    expect(cut).toEqual([]);
    await fits(page);
    if (view.width !== 1440) await accessible(page);
    if (view.width >= 1200) expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBeLessThanOrEqual(0);

    if (view.width !== 1280) return;
    await page.getByLabel('ever reacted to dye').check();
    await expect(page.getByRole('heading', { name: 'Stop: no colour' })).toBeVisible();
    await accessible(page);
    await page.getByLabel('ever reacted to dye').uncheck();
    await page.locator('#f-goal-level').fill('9');
    await expect(page.getByRole('heading', { name: 'Only in the salon' })).toBeVisible();
    await accessible(page);
    await page.locator('#f-hair-naturalLevel').fill('twelve');
    await expect(page.getByRole('heading', { name: 'Not enough to prescribe yet' })).toBeVisible();
    await expect(page.locator('#f-hair-naturalLevel')).toHaveValue('twelve');
    await accessible(page);
  });
}

test('every head of the demo fits at 1280x800: amounts whole, one line under the strand, and the dates in sight', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await page.goto(process.env.KITTO_URL + '/clients');
  const clients = await page.locator('.lines .line').evaluateAll(lines => lines.map(l => l.getAttribute('href')));
  let looked = 0;
  for (const client of clients) {
    await page.goto(process.env.KITTO_URL + client + '/prescription');
    if ((await page.locator('.amounts').count()) === 0) continue;
    looked++;
    const wrong = await page.evaluate(() => {
      const box = of => of.getBoundingClientRect(),
        answer = box(document.querySelector('#answer')),
        said = document.querySelector('.strand-says');
      return [
        ...[...document.querySelectorAll('.amounts dd, .amounts dt, .pairs span, .dates li, .holds')]
          .filter(e => box(e).right > answer.right + 1 || box(e).bottom > answer.bottom + 1)
          .map(e => e.textContent),
        ...(said && box(said).height > 30 ? [said.textContent] : []),
      ];
    });
    expect(wrong, client).toEqual([]);
  }
  expect(looked).toBeGreaterThan(8);
});

test('larger type is kept from page to page, and nothing is cut in it', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await today(page);
  await page.getByRole('button', { name: 'larger type' }).click();
  await openSitting(page, 'Sunniva');
  expect(await page.evaluate(() => parseFloat(getComputedStyle(document.documentElement).fontSize))).toBe(20);
  await fits(page);
  await accessible(page);
  await page.goto(process.env.KITTO_URL + '/house');
  await fits(page);
  await page.getByRole('button', { name: 'larger type' }).click();
  expect(await page.evaluate(() => parseFloat(getComputedStyle(document.documentElement).fontSize))).toBe(16);
});

test('keys go where their words say, and all of them are listed', async ({ page }) => {
  await today(page);
  for (const [key, place] of [
    ['c', '/clients'],
    ['s', '/shelf'],
    ['h', '/house'],
    ['t', '/'],
  ]) {
    await page.keyboard.press(key);
    await page.waitForURL(process.env.KITTO_URL + place);
  }
  await openSitting(page, 'Sunniva');
  await page.keyboard.press('?');
  await expect(page.locator('#keys')).toBeVisible();
  await accessible(page);
  // Every key the page listens to stands in the list.
  const listed = await page.locator('#keys kbd').allInnerTexts();
  for (const key of ['/', 't', 'c', 's', 'h', 'p', 'l', 'w', 'a', 'm', 'b', 'k', 'r', 'x', '?', 'Esc']) expect(listed).toContain(key);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('a');
  await expect(page.locator('#picked')).toHaveText('Whole head');
});

test('a prescription prints as one page, signed or not', async ({ page }) => {
  const pages = async () => ((await page.pdf({ preferCSSPageSize: true })).toString('latin1').match(/\/Type \/Page[^s]/g) ?? []).length;
  await signIn(page);
  for (const who of ['Sunniva', 'Odile', 'Ragnhild']) {
    await openSitting(page, who);
    expect(await pages(), who).toBe(1);
    await page.goto(page.url().replace('/prescription', '/beside'));
    await page.goto(process.env.KITTO_URL + '/prescriptions/' + (await page.locator('#then').inputValue()));
    await expect(page.locator('.formula').first()).toBeVisible();
    expect(await pages(), who).toBe(1);
    await page.emulateMedia({ media: 'print' });
    await expect(page.locator('.bar')).toBeHidden();
    await page.emulateMedia({ media: null });
    if (who === 'Odile') {
      await page.goto(process.env.KITTO_URL + '/kits/' + sql("select k.id from kit k join client c on c.id = k.client_id where c.name like 'Odile%' limit 1"));
      expect(await pages(), 'kit sheet').toBe(1);
    }
  }
});

test('no page scrolls sideways on the narrowest phone', async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await signIn(page);
  for (const path of ['/', '/clients', '/clients/new', '/week', '/shelf', '/house', '/house/rules', '/house/post', '/outbox']) {
    await page.goto(process.env.KITTO_URL + path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), path).toBeLessThanOrEqual(0);
  }
  await openSitting(page, 'Sunniva');
  await fits(page);
});
