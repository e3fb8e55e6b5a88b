// The whole moment: from sign-in to a printed kit sheet, to her phone, to the report, to the next kit.
import { test, expect, accessible, fits, later, prescribe, signIn, sql, start, today, guideOf, openSitting, tap } from './help.mjs';

const desktop = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

// The colourist at a phone is a second long walk through the same pages: KITTO_LONG=1 takes it too.
for (const [name, view] of [['desktop', desktop], ...(process.env.KITTO_LONG ? [['phone', phone]] : [])]) {
  test(`the whole moment, the colourist at ${name} size, the client on her phone`, async ({ browser, page }) => {
    test.setTimeout(300_000);
    const who = `Freya ${name === 'desktop' ? 'Lindgarth' : 'Osmund'}`;
    const problems = [];
    page.on('pageerror', e => problems.push(e.message));
    page.on('console', m => {
      if (m.type() === 'error') problems.push(m.text());
    });
    // The client's pages are the same in both: they are looked through once.
    const accessibleTo = hers => (name === 'desktop' ? accessible(hers) : null);
    await page.setViewportSize(view);

    await page.goto(process.env.KITTO_URL + '/');
    await accessible(page);
    await signIn(page, { byHand: true });
    await expect(page.getByRole('heading', { name: 'Reports to read' })).toBeVisible();
    await accessible(page);
    await fits(page);

    // A new client; the first try forgets her name.
    await page.getByRole('link', { name: 'New client' }).click();
    await page.getByLabel('Born on').fill('1979-04-02');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Type a name')).toBeVisible();
    await expect(page.getByLabel('Born on')).toHaveValue('1979-04-02');
    await accessible(page);
    await page.getByLabel('Name', { exact: true }).fill(who);
    await page.getByRole('button', { name: 'Save' }).click();

    // Her head: nothing is prescribed until enough is read; then every fact moves the answer.
    await expect(page.getByRole('heading', { name: 'Not enough to prescribe yet' })).toBeVisible();
    await page.getByLabel('natural level').fill('5');
    await page.locator('#f-hair-lengths-level').fill('5');
    await page.locator('#f-hair-lengths-history').selectOption('permanent');
    await page.getByRole('button', { name: 'all zones' }).click();
    await page.locator('.zone-fields.shown').getByLabel('regrowth', { exact: true }).fill('15');
    await page.locator('.zone-fields.shown').getByLabel('white', { exact: true }).fill('40');
    // What nobody read is said as such, and asks for a yes or a reading.
    await expect(page.locator('.attention')).toContainText('the texture is medium');
    for (const [what, value] of [
      ['texture', 'medium'],
      ['density', 'medium'],
      ['porosity', 'normal'],
    ])
      await page.locator('#f-hair-' + what).selectOption(value);
    await page.locator('#f-hair-lengthCm').fill('35');
    await page.locator('#f-hair-lengths-tone').selectOption('N');
    await expect(page.locator('.attention input')).toHaveCount(0);
    await expect(page.locator('.formula')).toContainText('5N');
    await expect(page.locator('.formula')).toContainText('20 vol');

    // A zone is set on the drawing: by pointer, then by keys.
    await page.locator('.zone[data-zone=leftTemple] .zone-ground').click();
    await expect(page.locator('#picked')).toHaveText('Left temple');
    await page.locator('.zone[data-zone=rightTemple] .zone-ground').click({ modifiers: ['Shift'] });
    await page.locator('.zone-fields.shown').getByLabel('resistant').check();
    await expect(page.locator('#f-zones-leftTemple-resistant')).toBeChecked();
    await expect(page.locator('#f-zones-rightTemple-resistant')).toBeChecked();
    await expect(page.locator('.reasons').first()).toContainText('Resistant white');
    await page.locator('.zone[data-zone=nape]').focus();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('-');
    await expect(page.locator('#f-zones-nape-regrowthMm')).toHaveValue('17');
    await expect(page.locator('#f-zones-nape-greyPercent')).toHaveValue('35');
    await expect(page.locator('.zone[data-zone=nape]')).toHaveAttribute('aria-label', /regrowth 17 mm, 35 % white/);
    await expect(page.locator('.zone[data-zone=nape]')).toBeFocused();

    // A wrong number is answered beside its field, and the way back is the number itself.
    await page.locator('#f-hair-lengthCm').fill('999');
    await expect(page.locator('[data-error="hair.lengthCm"]')).toContainText('1 to 120');
    await page.locator('#f-hair-lengthCm').fill('35');
    await expect(page.locator('[data-error="hair.lengthCm"]')).toBeEmpty();

    // A stop is seen at once and taken back as fast.
    await page.getByLabel('ever reacted to dye').check();
    await expect(page.getByRole('heading', { name: 'Stop: no colour' })).toBeVisible();
    await expect(page.locator('#sign')).toHaveText('Record the stop');
    await page.getByLabel('ever reacted to dye').uncheck();
    await expect(page.locator('.formula')).toContainText('5N');
    await fits(page);

    // No kit without her answers: she gets a link, answers on her phone, and the sitting waits as it was typed.
    await page.getByRole('button', { name: 'Sign off' }).click();
    await expect(page.getByText('Ask the client first')).toBeVisible();
    await expect(page.locator('#f-zones-nape-regrowthMm')).toHaveValue('17');
    const [asking] = await Promise.all([page.waitForEvent('popup'), page.getByRole('link', { name: 'ask the questions' }).click()]);
    await accessible(asking);
    await asking.getByRole('button', { name: 'Make a link to the questions' }).click();
    const questions = await asking.getByLabel('Address of the questions').inputValue();
    const phoned = await (await browser.newContext({ viewport: phone })).newPage();
    phoned.on('pageerror', e => problems.push(e.message));
    await phoned.goto(questions);
    await accessible(phoned);
    await fits(phoned);
    await phoned.getByRole('button', { name: 'Send my answers' }).click();
    await expect(phoned.getByText('questions have no answer yet')).toBeVisible();
    await accessible(phoned);
    for (const name of ['reactions', 'blackHenna']) await phoned.locator(`[name=${name}][value=no]`).check();
    await phoned.getByLabel('Fine').check();
    // Not twice at one place within a moment: that would be a bounce.
    for (const none of ['hairline', 'skin', 'pregnant', 'since', 'damage', 'reading'])
      await phoned.locator(`[name="none.${none}"]`).evaluate(box => box.click());
    await phoned.getByLabel('Eczema').evaluate(box => box.click());
    await expect(phoned.locator('[name="none.skin"]')).not.toBeChecked();
    await phoned.locator('[name="put.0.what"]').selectOption('permanent');
    await phoned.locator('[name="put.0.year"]').fill('2025');
    await phoned.getByRole('button', { name: 'Add a line' }).click();
    await expect(phoned.locator('.put:visible')).toHaveCount(3);
    await phoned.getByRole('button', { name: 'Send my answers' }).click();
    await expect(phoned.getByRole('heading', { name: 'Thank you' })).toBeVisible();
    await asking.reload();
    await expect(asking.locator('.told')).toContainText('Eczema');
    await accessible(asking);
    await fits(asking);
    await asking.close();

    await page.getByRole('button', { name: 'Sign off' }).click();
    await expect(page.getByRole('heading', { name: `${who}, kit 1` })).toBeVisible();
    const kit = page.url().split('/').pop();
    await accessible(page);
    await fits(page);

    // The frozen numbers are the console's numbers on the same case, and the sheet prints them.
    const document = sql(`select case_document from prescription p join kit k on k.prescription_id = p.id where k.id = '${kit}'`);
    const reckoned = prescribe(document);
    const sheet = await page.locator('.sheet').innerText();
    for (const pair of reckoned.formulas[0].pairs) {
      expect(sheet).toContain(pair.parts[0].fillGrams.toFixed(1) + ' g');
      expect(sheet).toContain(pair.parts[0].grams.toFixed(1) + ' g');
    }
    await page.emulateMedia({ media: 'print' });
    await expect(page.locator('.bar')).toBeHidden();
    await expect(page.locator('.weigh').first()).toBeVisible();
    await page.emulateMedia({ media: 'screen' });

    await page.getByText('Change this kit').click();
    await page.getByLabel('Packed without the bench, because').fill('weighed by the paper');
    await page.getByRole('button', { name: 'It is packed' }).click();
    await page.getByRole('button', { name: 'Posted' }).click();
    await expect(page.locator('.lead-in')).toContainText('with the client');
    const link = await page.getByLabel('Link to the guide').first().inputValue();
    await accessible(page);

    // Her phone: no account, tests first.
    const hers = await (await browser.newContext({ viewport: phone })).newPage();
    hers.on('pageerror', e => problems.push(e.message));
    await hers.goto(link);
    await expect(hers.getByRole('heading', { name: 'Before your colour day' })).toBeVisible();
    await expect(hers.locator('[data-step]')).toHaveCount(0);
    await accessibleTo(hers);
    await fits(hers);
    await hers.getByRole('button', { name: 'Start the 48 hours' }).click();
    await expect(hers.getByText('Check the spot until')).toBeVisible();
    await accessibleTo(hers);
    later(kit, '49 hours');
    await hers.reload();
    await hers.getByText('Nothing to see or feel').click();
    await accessibleTo(hers);
    await hers.getByRole('button', { name: 'Report a clear test' }).click();
    await expect(hers.getByLabel('Right')).toBeVisible();
    later(kit, '1 hour');
    await hers.getByLabel('Right').check();
    await hers.getByLabel('How many minutes was the colour on?').fill('35');
    await accessibleTo(hers);
    await hers.getByRole('button', { name: 'Report strand test' }).click();

    // Reading ahead tells nothing; the day begins when she says so.
    await expect(hers.getByRole('heading', { name: 'You can start' })).toBeVisible();
    await accessibleTo(hers);
    await fits(hers);
    await hers.getByRole('button', { name: 'Next page' }).click();
    await expect(hers.getByRole('heading', { name: 'Soften the stubborn greys' })).toBeVisible();
    expect(sql(`select count(*) from run_step where kit_id = '${kit}'`)).toBe('0');
    await start(hers);

    // The day: one step a screen, the clock runs, and it survives a reload.
    await expect(hers.getByRole('heading', { name: 'Get ready' })).toBeVisible();
    await accessibleTo(hers);
    await tap(hers);
    await expect(hers.getByRole('heading', { name: 'Soften the stubborn greys' })).toBeVisible();
    await tap(hers);
    await expect(hers.getByRole('heading', { name: 'Mix the main colour' })).toBeVisible();
    await tap(hers);
    await expect(hers.locator('.step.shown h1')).toHaveText('Left temple');
    await expect(hers.locator('#run-time')).toHaveText('00:00');
    await expect(hers.locator('#run-time')).toHaveText('00:02', { timeout: 5000 });
    await accessibleTo(hers);
    await fits(hers);
    await hers.reload();
    await expect(hers.locator('.step.shown h1')).toHaveText('Left temple');
    await expect(hers.locator('#run-time')).toHaveText(/00:0[2-9]/);
    await expect(hers.locator('.zone.now')).toHaveAttribute('data-zone', 'leftTemple');
    for (const zone of reckoned.clock.zones) {
      expect(await hers.locator('.step.shown').getAttribute('data-zone')).toBe(zone.zone);
      await tap(hers);
    }

    await expect(hers.locator('#run-time-says')).toHaveText('to go');
    await expect(hers.locator('#run-time')).toHaveText(/34:5\d|35:00/);
    // Too early: it asks to wait, once.
    await tap(hers);
    await expect(hers.locator('#run-ask')).toContainText('Not yet');
    await tap(hers);
    await expect(hers.getByRole('heading', { name: 'Rinse' })).toBeVisible();
    await tap(hers);
    await tap(hers);

    await expect(hers.getByRole('heading', { name: 'How did it go?' })).toBeVisible();
    await accessibleTo(hers);
    await hers.getByRole('button', { name: 'Send report' }).click();
    await expect(hers.getByText('Say whether grey shows.')).toBeVisible();
    await hers.getByLabel('Grey shows').check();
    for (const group of ['How dark is it?', 'How is the tone?']) await hers.getByRole('group', { name: group }).getByLabel('Just right').check();
    await hers.getByRole('group', { name: 'How did your scalp feel?' }).getByLabel('Fine').check();
    await hers.getByLabel('Or, if you weighed it').fill('14,5');
    await hers.getByRole('button', { name: 'Send report' }).click();
    await expect(hers.getByRole('heading', { name: 'Thank you' })).toBeVisible();
    await accessibleTo(hers);

    // The report beside the prescription, and the next kit from it, without retyping.
    await page.goto(process.env.KITTO_URL + '/');
    await page.getByRole('link', { name: new RegExp(`${who}.*grey shows; 14.5 g left`) }).click();
    await expect(page.locator('.beside')).toContainText('14.5 g, weighed');
    await accessible(page);
    await page.getByRole('button', { name: 'Read; on to the next kit' }).click();
    // She coloured today; five weeks later the regrowth is there again.
    await page.getByRole('button', { name: 'all zones' }).click();
    await page.locator('.zone-fields.shown').getByLabel('regrowth', { exact: true }).fill('15');
    await expect(page.locator('#answer')).toContainText('white hair showed');
    await expect(page.locator('#answer')).toContainText(`of ${reckoned.quantity.sendGrams.toFixed(1)} g sent 0 days ago 14.5 g was left`);
    await expect(page.locator('#answer')).toContainText('a step of');
    await page.getByRole('button', { name: 'Sign off' }).click();
    await expect(page.getByText('Ask again, or tick that you have')).toBeVisible();
    await accessible(page);
    await page.getByLabel('asked for this kit').check();
    await page.getByRole('button', { name: 'Sign off' }).click();
    await expect(page.getByRole('heading', { name: `${who}, kit 2` })).toBeVisible();
    const again = prescribe(
      sql(`select case_document from prescription p join kit k on k.prescription_id = p.id where k.id = '${page.url().split('/').pop()}'`),
    );
    expect(again.because.some(b => b.rule === 'DO8')).toBe(true);
    expect(again.because.some(b => b.rule === 'OU2')).toBe(true);
    await page.goto(process.env.KITTO_URL + `/clients?find=${who.split(' ')[1]}`);
    await page.getByRole('link', { name: new RegExp(who) }).click();
    await expect(page.locator('.past')).toContainText('14.5 g');
    await accessible(page);
    await fits(page);
    expect(problems).toEqual([]);
  });
}

test('it burns: the words come at once without a network, and the kit stops when it is back', async ({ browser, page }) => {
  await signIn(page);
  const { link } = await guideOf(page, 'Greta');
  const context = await browser.newContext({ viewport: phone });
  const hers = await context.newPage();
  await hers.goto(link);
  await context.setOffline(true);
  await hers.locator('#burns > summary').click();
  await expect(hers.getByText('Wash the spot with lukewarm water').first()).toBeVisible();
  await hers.getByRole('button', { name: 'Stop this kit and tell my colourist' }).click();
  await expect(hers.locator('#burns-said')).toContainText(/Not sent yet|No network/);
  await context.setOffline(false);
  await expect(hers.getByRole('heading', { name: 'Stop', exact: true })).toBeVisible({ timeout: 15_000 });
  await accessible(hers);
  await page.goto(process.env.KITTO_URL + '/');
  await expect(page.locator('.today-group.alarm')).toContainText('Greta Sandoval');
  await accessible(page);
});

test('a server that does not answer is said, nothing typed is lost, and it goes on by itself', async ({ page }) => {
  await signIn(page);
  await openSitting(page, 'Lotte');
  await page.route('**/prescription?handler=Preview', route => route.abort());
  await page.locator('#f-goal-level').fill('5');
  await expect(page.locator('#state')).toContainText('nothing typed is lost');
  await page.unroute('**/prescription?handler=Preview');
  await expect(page.locator('.formula')).toContainText('5N', { timeout: 10_000 });
  await expect(page.locator('#f-goal-level')).toHaveValue('5');
});

test('an answer that comes late is not shown over a newer one', async ({ page }) => {
  await signIn(page);
  await openSitting(page, 'Lotte');
  let calls = 0;
  await page.route('**/prescription?handler=Preview', async route => {
    if (calls++ === 0) await new Promise(resolve => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.locator('#f-goal-level').fill('4');
  await page.waitForTimeout(250);
  await page.locator('#f-goal-level').fill('7');
  await expect(page.locator('.reasons').first()).toContainText('level 7');
  await page.waitForTimeout(1800);
  await expect(page.locator('.reasons').first()).toContainText('level 7');
});

test('a client is found as her name is typed, and by the slash key', async ({ page }) => {
  await today(page);
  await page.keyboard.press('/');
  await expect(page.locator('#find')).toBeFocused();
  await page.keyboard.type('mar');
  await page.keyboard.press('Enter');
  await expect(page.locator('.line .who')).toHaveText(['Lotte Marsh', 'Maren Holtby']);
  await page.locator('#find-here').fill('maren');
  await expect(page.locator('.line .who')).toHaveText(['Maren Holtby']);
  await page.locator('#find-here').fill('zz');
  await expect(page.getByText("Nobody's name begins with")).toBeVisible();
  await accessible(page);
});
