// The guide as it is held: drawings that move and stand still, read out, for a left hand, in large numbers, in large type on the narrowest phone, in both languages.
import { line } from './line.mjs';
import { test, expect, accessible, clientOf, fits, guideOf, signIn, sql, start, tap, until } from './help.mjs';

const phone = { width: 390, height: 844 };

async function opened(browser, studio, name, options = {}) {
  await signIn(studio);
  const { kit, link } = await guideOf(studio, name);
  const page = await (await browser.newContext({ viewport: phone, ...options })).newPage();
  const problems = [];
  page.on('pageerror', e => problems.push(e.message));
  return { kit, link, page, problems };
}

const moves = (page, of) =>
  page
    .locator(`.step.shown ${of}`)
    .first()
    .evaluate(e => getComputedStyle(e).animationName);

test('hands move where motion is wanted, stand still where it is not, and are turned and curled for who asks', async ({ browser, page: studio }) => {
  const { kit, link, page, problems } = await opened(browser, studio, 'Maren');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(link);
  await start(page);
  // Each step that hands do something at has a drawing, and each drawing says which rule it shows and what it is.
  const bare = await page
    .locator('.step')
    .evaluateAll(steps => steps.filter(s => s.dataset.kind !== 'after' && !s.querySelector('.hands-on[data-rule] svg[aria-label]')).map(s => s.dataset.step));
  expect(bare).toEqual([]);
  expect(await moves(page, '.ho-part')).toBe('ho-draw');
  await until(page, 'paint');
  expect(await moves(page, '.ho-brush')).toBe('ho-brush-whole');
  // Coarse thick hair is drawn with more and thicker fibres than the medium head of another client would have.
  expect(await page.locator('.step.shown .ho-straight').count()).toBeGreaterThan(16);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  expect(await moves(page, '.ho-brush')).toBe('none');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.getByRole('button', { name: 'Still pictures' }).click();
  expect(await moves(page, '.ho-brush')).toBe('none');

  const turned = () =>
    page
      .locator('.step.shown .hands-on svg')
      .first()
      .evaluate(e => getComputedStyle(e).transform);
  expect(await turned()).toBe('none');
  await page.getByRole('button', { name: 'I am left-handed' }).click();
  expect(await turned()).toBe('matrix(-1, 0, 0, 1, 0, 0)');
  await page.getByRole('button', { name: 'My hair is curly' }).click();
  await expect(page.locator('.step.shown .ho-straight').first()).toBeHidden();
  await expect(page.locator('.step.shown .ho-curly').first()).toBeVisible();
  // Kept on this phone.
  await page.reload();
  expect(await turned()).toBe('matrix(-1, 0, 0, 1, 0, 0)');
  await expect(page.getByRole('button', { name: 'I am left-handed' })).toHaveAttribute('aria-pressed', 'true');
  await accessible(page);

  // Numbers for across the room: the time fills the width and nothing is cut.
  await page.getByRole('button', { name: 'Big numbers' }).click();
  expect(await page.locator('#run-time').evaluate(e => parseFloat(getComputedStyle(e).fontSize))).toBeGreaterThan(95);
  await fits(page);
  await accessible(page);
  expect(problems).toEqual([]);
  sql(`delete from run_step where kit_id = '${kit}'`);
});

test('steps are read out in the language of the page, and a timer that ends rings, shakes and speaks', async ({ browser, page: studio }) => {
  const { kit, link, page, problems } = await opened(browser, studio, 'Liv');
  await page.addInitScript(() => {
    globalThis.spoken = [];
    globalThis.shaken = 0;
    globalThis.SpeechSynthesisUtterance = class {
      constructor(text) {
        this.text = text;
      }
    };
    Object.defineProperty(window, 'speechSynthesis', {
      value: { cancel() {}, getVoices: () => [], speak: said => globalThis.spoken.push([said.lang, said.text]) },
    });
    navigator.vibrate = () => (globalThis.shaken += 1);
    // The minutes of a wait go by in a moment, when the test says so.
    const now = Date.now;
    globalThis.ahead = 0;
    Date.now = () => now() + globalThis.ahead;
  });
  await page.goto(link);
  await start(page);
  await page.locator('#read-aloud').click();
  expect(await page.evaluate(() => globalThis.spoken.at(-1))).toEqual(['nb-NO', expect.stringContaining('Gjør klart')]);
  await until(page, 'wait');
  expect((await page.evaluate(() => globalThis.spoken.at(-1)))[1]).toContain('Sjekk, og la det virke');
  await expect(page.locator('#run-time')).toHaveText(/[1-4]\d:\d\d/);
  // From the first request that fails on, none from before is under way.
  await page.route('**/*handler=Run', route => route.abort());
  await page.waitForEvent('requestfailed', request => request.url().includes('handler=Run'));
  await page.evaluate(() => (globalThis.ahead = 3 * 3600_000));
  await expect.poll(() => page.evaluate(() => globalThis.shaken)).toBe(1);
  expect(await page.evaluate(() => globalThis.spoken.at(-1))).toEqual(['nb-NO', 'Tiden er ute. Gå til neste trinn.']);
  await expect(page.locator('#run-late')).toContainText(/Tiden/);
  expect(problems).toEqual([]);
  sql(`delete from run_step where kit_id = '${kit}'`);
});

test('stopped in a run that was begun without a network: it waits, survives a reload, and is told once', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, link, page, problems } = await opened(browser, studio, 'Liv');
  const wire = await line();
  await page.goto(wire.through(link));
  await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 15_000 });
  wire.cut();
  await start(page);
  await tap(page);
  await page.locator('#run-stop > summary').click();
  await expect(page.getByText('Du har ikke noe i håret ennå')).toBeVisible();
  await page.getByRole('button', { name: 'Avslutt (ingenting i håret ennå)' }).click();
  await expect(page.getByRole('heading', { name: 'Avsluttet' })).toBeVisible();
  await expect(page.locator('.step.shown')).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Avsluttet' })).toBeVisible();
  wire.mend();
  await expect
    .poll(() => sql(`select string_agg(word, ' ' order by begun_at, seq) from run_step where kit_id = '${kit}'`), { timeout: 20_000 })
    .toMatch(/^start (step )+end$/);
  await expect(page.getByRole('heading', { name: 'Alt er skylt ut' })).toBeVisible({ timeout: 15_000 });
  expect(problems).toEqual([]);
  await wire.close();
  sql(`delete from run_step where kit_id = '${kit}'`);
});

test('a picture is made small, waits without a network, and a place is tapped on the head', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, link, page, problems } = await opened(browser, studio, 'Maren');
  const wire = await line();
  await page.goto(wire.through(link));
  await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 15_000 });
  await page.getByText('I have coloured: report how it went').click();
  // A large noisy picture, as a camera makes them.
  const made = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(3000, 2000);
    const c = canvas.getContext('2d');
    for (let i = 0; i < 9000; i += 1) {
      c.fillStyle = `hsl(${(i * 47) % 360} 60% ${(i * 13) % 90}%)`;
      c.fillRect((i * 331) % 3000, (i * 197) % 2000, 60, 60);
    }
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 });
    const bytes = new Uint8Array(await blob.arrayBuffer());
    let text = '';
    for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
    return btoa(text);
  });
  wire.cut();
  const whole = page.locator('.asked-picture', { has: page.locator('#asked-whole') });
  await whole.locator('input[type=file]').setInputFiles({ name: 'hair.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(made, 'base64') });
  await expect(whole.locator('.state')).toContainText(/Not sent yet|No network/);
  await page.reload();
  await expect(page.getByText('a photo of your hair')).toBeVisible();
  expect(sql(`select count(*) from picture where kit_id = '${kit}'`)).toBe('0');
  wire.mend();
  await expect.poll(() => sql(`select count(*) from picture where kit_id = '${kit}'`), { timeout: 20_000 }).toBe('1');
  // Longest side and encoding are the phone's: far less was sent than was taken.
  expect(Number(sql(`select length(sealed) from picture where kit_id = '${kit}'`))).toBeLessThan(made.length * 0.75);

  await expect(whole.locator('.state')).toContainText('Your colourist has it', { timeout: 15_000 });
  await page.getByText('I have coloured: report how it went').click();
  await page.getByText('It is not the same everywhere').click();
  await page.locator('.by-zone .zone[data-zone=crown]').click();
  await expect(page.locator('.zone-said[data-zone=crown]')).toHaveAttribute('open', '');
  await expect(page.locator('.by-zone .zone[data-zone=crown]')).toHaveClass(/now/);
  await accessible(page);
  await fits(page);
  expect(problems).toEqual([]);
  await wire.close();
  sql(`delete from picture where kit_id = '${kit}'`);
});

for (const timezoneId of ['Asia/Tokyo', 'America/Anchorage']) {
  test(`in ${timezoneId} moments are the phone's own, with their day, and a test is put on at the right one`, async ({ browser, page: studio }) => {
    const { kit, link, page } = await opened(browser, studio, 'Bettany', { timezoneId });
    sql(
      `set session_replication_role = replica; delete from safety_event where kit_id = '${kit}'; update kit_stand set look_at = '-infinity' where kit_id = '${kit}'`,
    );
    await page.goto(link);
    await page.getByRole('button', { name: 'Start the 48 hours' }).click();
    await expect(page.getByText('Check the spot until')).toBeVisible();
    const now = Date.now();
    expect(
      Math.abs(Number(sql(`select extract(epoch from happened_at) * 1000 from safety_event where kit_id = '${kit}' and kind = 'skinOn'`)) - now),
    ).toBeLessThan(90_000);
    const there = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: timezoneId }).format(now + 48 * 3600_000);
    await expect(page.locator('[data-test^=skin] b time')).toContainText(there.replace(',', ''));
  });
}

test('in large type on the narrowest phone nothing is cut, and every state of guide and questions is accessible', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  const { kit, link, page, problems } = await opened(browser, studio, 'Liv', { viewport: { width: 320, height: 640 } });
  await page.context().addCookies([{ name: 'kitto-type', value: 'large', url: process.env.KITTO_URL }]);
  const right = async () => {
    await fits(page);
    await accessible(page);
  };
  await page.goto(link);
  await expect(page.locator('html')).toHaveClass(/large/);
  await page.locator('#left-hand').click();
  await right();
  await page.locator('#burns > summary').click();
  await right();
  await page.locator('[data-shut=burns]').click();
  await start(page);
  await right();
  for (const kind of ['mix', 'paint', 'wait']) {
    await until(page, kind);
    await right();
  }
  sql(`delete from run_step where kit_id = '${kit}'`);
  await signIn(studio);
  await studio.goto(`${process.env.KITTO_URL}/clients/${clientOf('Liv')}/answers`);
  await studio.getByRole('button', { name: /Make a/ }).click();
  await page.goto(await studio.getByLabel('Address of the questions').inputValue());
  await right();
  await page.locator('form.questions > .big').click();
  await right();
  expect(problems).toEqual([]);
});
