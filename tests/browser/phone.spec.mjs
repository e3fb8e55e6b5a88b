// The phone in a bathroom: what it says with colour on the head, without a network, with a wrong clock, with two phones, with gloves on.
import { line } from './line.mjs';
import { pushed } from './setup.mjs';
import { test, expect, accessible, bounce, clientOf, fits, guideOf, kitOf, signIn, sql, start, tap, until } from './help.mjs';

const phone = { width: 390, height: 844 };
const small = { width: 360, height: 640 };

/** A client's guide on a phone, on a line that can be cut; the run and what became of the kit are put back afterwards. */
async function opened(browser, studio, name, { init, ...options } = {}) {
  await signIn(studio);
  const { kit, link } = await guideOf(studio, name);
  const wire = await line();
  const context = await browser.newContext({ viewport: phone, hasTouch: true, ...options });
  const page = await context.newPage();
  const problems = [];
  page.on('pageerror', e => problems.push(e.message));
  if (init) await page.addInitScript(init);
  await page.goto(wire.through(link));
  await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 15_000 });
  return {
    kit,
    link,
    wire,
    context,
    page,
    async done() {
      expect(problems).toEqual([]);
      await context.close();
      await wire.close();
      sql(`delete from run_step where kit_id = '${kit}'; update kit set state = 'posted', cancelled_at = null, cancelled_why = null where id = '${kit}'`);
    },
  };
}

/** A kit nobody has reported anything of, whatever another test has said of it. */
const untouched = kit =>
  sql(
    `set session_replication_role = replica; delete from safety_event where client_id = (select client_id from kit where id = '${kit}');
     update kit set state = 'posted', stopped_at = null, stop_reason = null where id = '${kit}'; update kit_stand set look_at = '-infinity' where kit_id = '${kit}'`,
  );

/** A kit whose skin tests are clear, and its strand too where that is wanted. */
function clear(kit, strand) {
  untouched(kit);
  sql(
    `insert into safety_event (id, client_id, kit_id, kind, happened_at, said_at, said_by, says, line) select gen_random_uuid(), client_id, id, 'skinOn', now() - interval '3 days', now() - interval '3 days', 'client', '', unnest(string_to_array(lines, ',')) from kit where id = '${kit}';
     insert into safety_event (id, client_id, kit_id, kind, happened_at, said_at, said_by, says, line, of_event) select gen_random_uuid(), client_id, kit_id, 'skinClear', now() - interval '2 hours', now() - interval '2 hours', 'client', '', line, id from safety_event where kit_id = '${kit}' and kind = 'skinOn';` +
      (strand
        ? `insert into safety_event (id, client_id, kit_id, kind, happened_at, said_at, said_by, says, line, result, minutes) select gen_random_uuid(), client_id, kit_id, 'strand', now() - interval '1 hour', now() - interval '1 hour', 'client', '', line, 'right', 30 from safety_event where kit_id = '${kit}' and kind = 'skinOn' limit 1`
        : ''),
  );
}

/** Waits until the server knows of the step that is shown: what is moved back in its record is all there. */
const recorded = async (page, kit) => {
  const step = await page.locator('.step.shown').getAttribute('data-step');
  await expect.poll(() => Number(sql(`select count(*) from run_step where kit_id = '${kit}' and step = ${step}`)), { timeout: 10_000 }).toBeGreaterThan(0);
};

const cancel = kit => sql(`update kit set state = 'closed', cancelled_at = now(), cancelled_why = 'moved', version = version + 1 where id = '${kit}'`);

/** Lets the phone's minutes go by: its clock is moved on, and nothing else. */
const movable = () => {
  const now = Date.now;
  globalThis.ahead = 0;
  Date.now = () => now() + globalThis.ahead;
};
const passes = (page, minutes) => page.evaluate(ms => (globalThis.ahead += ms), minutes * 60_000);

/** No answer from the server reaches the page any more, as if it had lost the network for good. */
async function alone(page) {
  await page.route('**/*handler=Run', route => route.abort());
  await page.waitForEvent('requestfailed', request => request.url().includes('handler=Run'));
}

for (const closed of [false, true]) {
  test(`a run begun without a network on a kit that is cancelled meanwhile says rinse now${closed ? ', also where the page was closed in between' : ''}`, async ({
    browser,
    page: studio,
  }) => {
    test.setTimeout(90_000);
    const { kit, link, wire, context, page, done } = await opened(browser, studio, 'Maren');
    wire.cut();
    await start(page);
    await until(page, 'paint');
    if (closed) await page.close();
    cancel(kit);
    wire.mend();
    const seen = closed ? await context.newPage() : page;
    if (closed) await seen.goto(wire.through(link));
    // From the first moment on nothing says begin, over or get ready without saying rinse.
    if (closed) await expect(seen.locator('main')).toContainText(/Rinse it out now|Rinse now/);
    await expect(seen.locator('[data-part=rinse]').getByRole('heading', { name: 'Rinse now' })).toBeVisible({ timeout: 15_000 });
    await expect(seen.locator('a.ambulance').first()).toHaveAttribute('href', 'tel:999');
    await accessible(seen);
    await fits(seen);
    await seen.getByRole('button', { name: 'All the colour is rinsed out' }).click();
    await expect(seen.getByRole('heading', { name: 'This kit is cancelled' })).toBeVisible();
    await expect(seen.locator('.on-hair')).toContainText('Rinse it out now');
    await done();
  });
}

test('a question never outranks what the clock says, and goes by itself', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { page, done } = await opened(browser, studio, 'Maren', { init: movable });
  await start(page);
  await until(page, 'wait');
  await alone(page);
  await tap(page);
  await expect(page.locator('#run-ask')).toContainText('Not yet');
  await expect(page.locator('#run-late')).toBeEmpty();
  await expect(page.locator('#run-ask')).toBeEmpty({ timeout: 8000 });
  await tap(page);
  await expect(page.locator('#run-ask')).toContainText('Not yet');
  await passes(page, 51);
  await expect(page.locator('#run-late')).toContainText(/Rinse now\. The time was up 1\d min ago\./);
  await expect(page.locator('#run-ask')).toBeEmpty();
  await expect(page.locator('#run-next')).toHaveText('I am rinsing');
  await accessible(page);
  await tap(page);
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', 'rinse');
  await expect(page.locator('#run-late')).toBeEmpty();
  await done();
});

test('two steps: rinsed on time, the gloss has its own timer and is late for nothing before', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  await signIn(studio);
  clear(kitOf('Odile'), 'strand');
  const { kit, page, done } = await opened(browser, studio, 'Odile');
  await start(page);
  await until(page, 'wait');
  // The wait is over, and it is rinsed on time; eight minutes later the gloss goes on.
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '45 minutes' where kit_id = '${kit}'`);
  await page.reload();
  await expect(page.locator('#run-late')).toContainText('Rinse now');
  await tap(page);
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', 'rinse');
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '8 minutes' where kit_id = '${kit}'`);
  await page.reload();
  for (const kind of ['rinse', 'mix', 'lengths']) {
    await until(page, kind);
    // What the server says of it has been heard.
    await page.waitForResponse(answer => answer.url().includes('handler=Run'));
    await expect(page.locator('#run-late')).toBeEmpty();
    await expect(page.locator('#low')).not.toHaveClass(/rinse-now/);
    await expect(page.locator('#run-time')).toBeVisible();
  }
  await expect(page.locator('#run-time-says')).toHaveText('to go');
  await expect(page.locator('#run-rinse')).toHaveText(/\d\d:\d\d/);
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '40 minutes' where kit_id = '${kit}'`);
  await page.reload();
  await expect(page.locator('#run-late')).toContainText('Rinse now. The time was up');
  await done();
});

test('of two phones the one that has colour on the head wins, and the other says so', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  const { kit, link, wire, page, done } = await opened(browser, studio, 'Maren');
  wire.cut();
  await start(page);
  await until(page, 'paint');
  const zone = await page.locator('.step.shown').getAttribute('data-zone');
  // The other phone knows nothing of it and starts.
  const other = await (await browser.newContext({ viewport: phone })).newPage();
  await other.goto(link);
  await other.locator('.start-now button').click();
  // It is asked first whether colour is on.
  await expect(other.locator('.start-now [name=colour]:invalid').first()).toBeAttached();
  await start(other);
  await expect(other.locator('.step.shown h1')).toHaveText('Get ready');
  wire.mend();
  await expect(other.locator('#run-joined')).toBeVisible({ timeout: 20_000 });
  await expect(other.locator('.step.shown')).toHaveAttribute('data-zone', zone);
  await expect(other.locator('#run-rinse')).toHaveText(/\d\d:\d\d/);
  await expect(page.locator('.step.shown')).toHaveAttribute('data-zone', zone);
  expect(sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'start'`)).toMatch(/[12]/);
  await done();
});

test('whoever has colour on already says since when, also without a network, and the clock runs from there', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, wire, page, done } = await opened(browser, studio, 'Maren');
  wire.cut();
  await page.locator('.start-now [value=yes]').check();
  await page.getByLabel('Since when?').fill(
    await page.evaluate(() => {
      const d = new Date(Date.now() - 20 * 60_000);
      const two = n => String(n).padStart(2, '0');
      return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}T${two(d.getHours())}:${two(d.getMinutes())}`;
    }),
  );
  await page.locator('.start-now button').click();
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', 'wait');
  await expect(page.locator('#run-rinse')).toHaveText(/\d\d:\d\d/);
  wire.mend();
  await expect
    .poll(() => Number(sql(`select round(extract(epoch from now() - min(begun_at)) / 60) from run_step where kit_id = '${kit}' and word = 'step'`)), {
      timeout: 20_000,
    })
    .toBeGreaterThanOrEqual(19);
  await expect(page.locator('#run-rinse')).toHaveText(/\d\d:\d\d/);
  await done();
});

/** What has to be in sight, and is not. */
const outOfSight = (page, names) =>
  page.evaluate(wanted => {
    const seen = element => {
      const { left, top, right, bottom, width, height } = element.getBoundingClientRect();
      if (width < 1 || height < 1 || left < -1 || top < -1 || right > innerWidth + 1 || bottom > innerHeight + 1) return false;
      const on = document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
      return element.contains(on) || on?.contains(element);
    };
    return wanted.filter(name => !seen(document.querySelector(name)));
  }, names);

test('clock, rinse, warning and stop button are in sight on every step, at every size and with doubled letters', async ({ browser, page: studio }) => {
  test.setTimeout(240_000);
  const { page, done } = await opened(browser, studio, 'Maren', { init: movable });
  const sizes = [
    [320, 568, 16],
    [360, 640, 16],
    [390, 844, 16],
    [1280, 800, 16],
    // The phone's own letters twice as large, and a browser zoomed to 200 %.
    [320, 568, 32],
    [360, 640, 32],
    [390, 844, 32],
    [195, 422, 16],
    [180, 320, 16],
  ];
  const everywhere = async names => {
    const wrong = [];
    for (const [width, height, letters] of sizes) {
      await page.setViewportSize({ width, height });
      await page.evaluate(px => (document.documentElement.style.fontSize = `${px}px`), letters);
      await page.waitForTimeout(60);
      const missing = await outOfSight(page, names);
      if (missing.length > 0) wrong.push(`${width}x${height}, letters ${letters}: ${missing.join(' ')}`);
      const room = await page.evaluate(() => innerHeight - document.querySelector('#low').offsetHeight);
      if (room < height * 0.3) wrong.push(`${width}x${height}, letters ${letters}: ${room} px are left to read in`);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      if (wide > 0 && width >= 320) wrong.push(`${width}x${height}, letters ${letters}: ${wide} px too wide`);
    }
    await page.setViewportSize(phone);
    await page.evaluate(() => (document.documentElement.style.fontSize = ''));
    return wrong;
  };
  await start(page);
  await until(page, 'paint');
  const bar = ['#run-time', '#run-rinse', '#run-next', '#burns > summary'];
  expect(await everywhere(bar)).toEqual([]);
  // Doubled letters leave a drawing that can be seen, and the switch of the letters can be hit.
  await page.evaluate(() => (document.documentElement.style.fontSize = '32px'));
  expect((await page.locator('#guide-head .head').boundingBox()).width).toBeGreaterThanOrEqual(200);
  for (const drawing of await page.locator('.step.shown .hands-on svg:visible').all()) expect((await drawing.boundingBox()).width).toBeGreaterThanOrEqual(200);
  await page.evaluate(() => (document.documentElement.style.fontSize = ''));
  const aa = await page.locator('#larger').boundingBox();
  expect(Math.min(aa.width, aa.height)).toBeGreaterThanOrEqual(44);
  await until(page, 'wait');
  expect(await everywhere(bar)).toEqual([]);
  await alone(page);
  await passes(page, 40);
  await expect(page.locator('#run-late')).toContainText('Rinse now');
  expect(await everywhere([...bar, '#run-late'])).toEqual([]);
  await accessible(page);
  // It lies over everything, the stop panel too.
  await page.locator('#burns > summary').click();
  await expect(page.locator('#burns-form button')).toBeVisible();
  expect(await outOfSight(page, ['#run-late'])).toEqual([]);
  await accessible(page);
  await page.setViewportSize(small);
  await fits(page);
  await done();
});

test('a phone whose clock is wrong is shown what is left, and no time of day', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { page, done } = await opened(browser, studio, 'Maren', {
    init: () => {
      const now = Date.now;
      Date.now = () => now() + 3_600_000;
    },
  });
  await expect(page.locator('#clock-wrong')).toContainText('60 minutes ahead');
  await start(page);
  await until(page, 'paint');
  await expect(page.locator('#run-rinse')).toHaveText(/^in \d+ min$/);
  await until(page, 'wait');
  await expect(page.locator('#run-rinse')).toHaveText(/^in \d+ min$/);
  expect(await page.locator('#low').innerText()).not.toMatch(/\b[012]\d:\d\d\b(?!\s*to go)/);
  await accessible(page);
  await done();
});

test('before anything is mixed each caution is ticked, in an order that can be done, and stays ticked', async ({ browser, page: studio }) => {
  const { page, done } = await opened(browser, studio, 'Maren', { viewport: small });
  await page.locator('.start-now [name=colour][value=no]').check();
  await page.locator('.start-now button').click();
  await expect(page.locator('.step.shown h1')).toHaveText('Get ready');
  await tap(page);
  await expect(page.locator('#run-ask')).toHaveText('Tick each line first.');
  await expect(page.locator('.step.shown h1')).toHaveText('Get ready');
  const boxes = page.locator('#checks input');
  const last = await boxes.count();
  for (let i = 0; i < last - 1; i += 1) {
    await page.waitForTimeout(430);
    await boxes.nth(i).check();
  }
  await page.reload();
  await expect(boxes.first()).toBeChecked();
  await expect(boxes.nth(last - 1)).not.toBeChecked();
  await tap(page);
  await expect(page.locator('#run-ask')).toHaveText('Tick each line first.');
  await boxes.nth(last - 1).check();
  await tap(page);
  await expect(page.locator('.step.shown h1')).not.toHaveText('Get ready');
  await done();
});

test('a burn over a line that hangs: saved at once, and after five seconds: call', async ({ browser, page: studio }) => {
  const { kit, page, wire, done } = await opened(browser, studio, 'Liv', { init: movable });
  await page.route('**/*handler=Burns', () => {});
  await page.locator('#burns > summary').click();
  await page.getByRole('button', { name: 'Stans dette settet' }).click();
  await expect(page.locator('#burns-said')).toContainText('Lagret på telefonen. Sender', { timeout: 1000 });
  await expect(page.locator('#burns-said')).toContainText('Ikke sendt ennå. Stopp og skyll. Ring', { timeout: 7000 });
  await expect(page.locator('#burns .call').first()).toBeFocused();
  await expect(page.locator('#burns .ambulance')).toBeVisible();
  // It was nothing: what has not gone can be cancelled, and closing the panel cancels nothing.
  await page.locator('[data-shut=burns]').click();
  await expect(page.locator('[data-unsent=Burns]')).toBeAttached();
  await page.locator('#burns > summary').click();
  await expect(page.locator('#burns-cancel')).toBeVisible();
  await page.locator('#burns-cancel').click();
  // What hangs in the browser is let go into a line that is cut.
  wire.cut();
  await page.unroute('**/*handler=Burns');
  await page.waitForTimeout(500);
  wire.mend();
  await page.reload();
  await page.waitForTimeout(6000);
  expect(sql(`select count(*) from safety_event where kit_id = '${kit}' and kind = 'reaction'`)).toBe('0');
  await done();
});

test('an open page hears within seconds that its kit was cancelled, and without a network it says from when it is', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, wire, page, done } = await opened(browser, studio, 'Maren');
  await expect(page.getByRole('heading', { name: 'You can start' })).toBeVisible();
  cancel(kit);
  await expect(page.getByRole('heading', { name: 'This kit is cancelled' })).toBeVisible({ timeout: 10_000 });
  wire.cut();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'This kit is cancelled' })).toBeVisible();
  await expect(page.locator('#as-of')).toContainText(/^As of \d\d:\d\d\. No network\.$/);
  await accessible(page);
  wire.mend();
  await expect(page.locator('#as-of')).toBeHidden({ timeout: 10_000 });
  await done();
});

test('told online that it cannot be started, a reload without a network says the same', async ({ browser, page: studio }) => {
  const { kit, wire, page, done } = await opened(browser, studio, 'Maren');
  // The page has not heard of it yet when the button is tapped.
  await page.route('**/*handler=Run', route => route.abort());
  cancel(kit);
  await page.locator('.start-now [name=colour][value=no]').check();
  await page.locator('.start-now button').click();
  await expect(page.getByRole('heading', { name: 'This kit is cancelled' })).toBeVisible();
  wire.cut();
  await page.goto(page.url().split('?')[0].split('#')[0]);
  await expect(page.getByRole('heading', { name: 'This kit is cancelled' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'You can start' })).toBeHidden();
  await done();
});

test('the questions without a network: saved, sent later once, and a draft survives a reload', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  await signIn(studio);
  const id = clientOf('Lotte');
  await studio.goto(`${process.env.KITTO_URL}/clients/${id}/answers`);
  await studio.getByRole('button', { name: /Make a/ }).click();
  const address = await studio.getByLabel('Address of the questions').inputValue();
  const before = sql(`select count(*) from answers where client_id = '${id}'`);
  const wire = await line();
  const context = await browser.newContext({ viewport: small });
  const page = await context.newPage();
  await page.goto(wire.through(address));
  await expect(page.locator('html[data-kept]')).toBeAttached({ timeout: 15_000 });
  const answer = async () => {
    const wanted = ['[name=reactions][value=no]', '[name=blackHenna][value=no]', '[name=scalp][value=sound]'].concat(
      ['hairline', 'pregnant', 'since', 'damage', 'reading'].map(none => `[name="none.${none}"]`),
    );
    await page.evaluate(names => names.forEach(name => document.querySelector(name)?.checked || document.querySelector(name)?.click()), wanted);
  };
  const unfold = () =>
    page.evaluate(() => {
      for (const d of document.querySelectorAll('form details')) d.open = true;
    });
  await answer();
  await unfold();
  await page.locator('[name=other]').fill('Allergic to nickel');
  await page.reload();
  await expect(page.locator('[name=other]')).toHaveValue('Allergic to nickel');
  wire.cut();
  await page.reload();
  await expect(page.locator('#as-of')).toBeVisible();
  await expect(page.locator('[name=other]')).toHaveValue('Allergic to nickel');
  await page.getByRole('button', { name: 'Send my answers' }).click();
  await expect(page.locator('[data-unsent=Answers]')).toBeVisible();
  await expect(page.locator('[name=other]')).toHaveValue('Allergic to nickel');
  await accessible(page);
  await fits(page);
  wire.mend();
  await expect(page.getByRole('heading', { name: 'Thank you' })).toBeVisible({ timeout: 20_000 });
  expect(Number(sql(`select count(*) from answers where client_id = '${id}'`))).toBe(Number(before) + 1);
  expect(sql(`select document::text from answers where client_id = '${id}' order by id desc limit 1`)).toContain('Allergic to nickel');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await context.close();
  await wire.close();
});

test('the strand has its own timer, which survives a reload and fills in the minutes', async ({ browser, page: studio }) => {
  await signIn(studio);
  clear(kitOf('Bettany'));
  const { page, done } = await opened(browser, studio, 'Bettany', { init: movable, viewport: small });
  await page.locator('#strand-start').click();
  await expect(page.locator('#strand-until')).toContainText('until you look at the strand');
  await page.reload();
  await expect(page.locator('#strand-until')).toContainText('until you look at the strand');
  await passes(page, 20.3);
  await expect(page.locator('#strand-says')).toContainText('Look at the strand now: 20 minutes.');
  await accessible(page);
  await passes(page, 100);
  await expect(page.locator('#strand-says')).toContainText('Rinse the strand now.');
  await page.locator('#strand-stop').click();
  await expect(page.getByLabel('How many minutes was the colour on?')).toHaveValue('120');
  // Sent too early it is refused: in sight, under the strand test and nowhere else.
  await page.getByLabel('Right').check();
  await page.getByRole('button', { name: 'Report strand test' }).click();
  if (await page.locator('#strand .error:not(:empty)').count()) expect(await outOfSight(page, ['#strand .error:not(:empty)'])).toEqual([]);
  await done();
});

test('a refusal is in sight, under the field it is about', async ({ browser, page: studio }) => {
  await signIn(studio);
  untouched(kitOf('Greta'));
  const { page, done } = await opened(browser, studio, 'Greta', { viewport: small });
  await page.locator('[data-test^=skin] [name=at]').fill('2190-01-01T10:00');
  await page.getByRole('button', { name: 'Start the 48 hours' }).click();
  const error = page.locator('.error', { hasText: 'in the future' });
  await expect(error).toHaveCount(1);
  await expect(error).toBeInViewport();
  await expect(page.locator('[data-test^=skin] [name=at]')).toBeFocused();
  await expect(page.locator('[data-test^=skin] [name=at]')).toHaveValue('2190-01-01T10:00');
  await done();
});

test('a second tap within a moment skips nothing, and undo says what was undone', async ({ browser, page: studio }) => {
  const { page, done } = await opened(browser, studio, 'Maren');
  await start(page);
  await until(page, 'paint');
  const zone = () => page.locator('.step.shown').getAttribute('data-zone');
  const first = await zone();
  await page.waitForTimeout(450);
  await bounce(page, await page.locator('#run-next').boundingBox());
  await page.waitForTimeout(300);
  const second = await zone();
  expect(second).not.toBe(first);
  const titles = await page
    .locator('.step h1')
    .allInnerTexts()
    .catch(() => []);
  expect(titles.length).toBeGreaterThan(0);
  const steps = await page.locator('.step').evaluateAll(all => all.filter(s => s.dataset.kind === 'paint').map(s => s.dataset.zone));
  expect(steps.indexOf(second)).toBe(steps.indexOf(first) + 1);
  await tap(page, '#run-back');
  await expect(page.locator('#run-undone')).toHaveText(/^Undone: .+\. You are back at: .+\.$/);
  expect(await zone()).toBe(first);
  await done();
});

test('all rinsed out: aftercare comes next, then the report, and never get ready', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { page, kit, done } = await opened(browser, studio, 'Maren');
  await start(page);
  await until(page, 'paint');
  await page.locator('#run-stop > summary').click();
  await page.getByRole('button', { name: 'All the colour is rinsed out' }).click();
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', 'after');
  await recorded(page, kit);
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', 'after');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'All rinsed out' })).toBeVisible();
  await expect(page.locator('main')).not.toContainText('Get ready');
  await expect(page.getByRole('heading', { name: 'How did it go?' })).toBeVisible();
  expect(sql(`select count(*) from run_step where kit_id = '${kit}' and word = 'end'`)).toBe('0');
  await done();
});

test('practised once without colour: a minute takes a second, and nothing counts', async ({ browser, page: studio }) => {
  test.setTimeout(180_000);
  const { page, kit, done } = await opened(browser, studio, 'Maren', { viewport: small, init: movable });
  await page.getByRole('button', { name: 'Practise once without colour' }).click();
  await expect(page.locator('#practising')).toBeVisible();
  await expect(page.locator('.step.shown h1')).toHaveText('Get ready');
  await expect(page.locator('.start-now')).toBeHidden();
  await page.evaluate(() => {
    for (const box of document.querySelectorAll('#checks input')) box.click();
  });
  await until(page, 'paint');
  await expect(page.locator('#run-rinse')).toHaveText(/^in \d+ min$/);
  await accessible(page);
  await until(page, 'wait');
  // A minute in a second: after one more minute the hour is over.
  await expect(page.locator('#run-late')).toBeEmpty();
  await passes(page, 1);
  await expect(page.locator('#run-late')).toContainText('Rinse now');
  await until(page, 'after');
  await expect(page.locator('#run-next')).toHaveText('End of the practice');
  await tap(page);
  await expect(page.getByRole('heading', { name: 'You can start' })).toBeVisible();
  expect(sql(`select count(*) from run_step where kit_id = '${kit}'`)).toBe('0');
  expect(await page.evaluate(() => Object.keys(localStorage).filter(k => k.startsWith('kitto-run-')))).toEqual([]);
  await done();
});

test('a locked phone is rung when the rinse is due: signed, sealed for it alone, once, and shown by the worker', async ({ browser, page: studio }) => {
  test.setTimeout(120_000);
  const { kit, page, context, done } = await opened(browser, studio, 'Maren');
  const phoneKeys = pushed.subscribe();
  await context.grantPermissions(['notifications'], { origin: new URL(page.url()).origin });
  await page.addInitScript(keys => {
    const bytes = text => Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), c => c.charCodeAt(0)).buffer;
    let there = null;
    PushManager.prototype.getSubscription = async () => there;
    PushManager.prototype.subscribe = async options => {
      globalThis.askedWith = [options.userVisibleOnly, options.applicationServerKey.length];
      there = { endpoint: keys.endpoint, getKey: name => bytes(keys[name]) };
      return there;
    };
    Notification.requestPermission = async () => 'granted';
  }, phoneKeys);
  await page.reload();
  await page.getByRole('button', { name: 'Ring this phone when something is due' }).click();
  await expect(page.getByText('This phone will ring, even when it is locked.')).toBeVisible();
  expect(await page.evaluate(() => globalThis.askedWith)).toEqual([true, 65]);
  expect(sql(`select count(*) from push_subscription where kit_id = '${kit}'`)).toBe('1');
  await start(page);
  await until(page, 'wait');
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '34 minutes' where kit_id = '${kit}'`);
  await expect.poll(() => pushed.pushes.map(p => p.title), { timeout: 15_000 }).toEqual(['Rinse in 2 minutes']);
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '3 minutes' where kit_id = '${kit}'`);
  await expect.poll(() => pushed.pushes.map(p => p.title), { timeout: 15_000 }).toEqual(['Rinse in 2 minutes', 'Rinse now']);
  expect(pushed.pushes.every(p => p.urgency === 'high' && p.ttl === 600)).toBe(true);
  await page.waitForTimeout(6000);
  expect(pushed.pushes.length).toBe(2);
  // What came is shown by the worker, whether a page is open or not.
  const devtools = await context.newCDPSession(page);
  const registration = new Promise(found =>
    devtools.on('ServiceWorker.workerRegistrationUpdated', e => e.registrations[0] && found(e.registrations[0].registrationId)),
  );
  await devtools.send('ServiceWorker.enable');
  await devtools.send('ServiceWorker.deliverPushMessage', {
    origin: new URL(page.url()).origin,
    registrationId: await registration,
    data: JSON.stringify(pushed.pushes[1]),
  });
  await expect
    .poll(() => page.evaluate(async () => (await (await navigator.serviceWorker.ready).getNotifications()).map(n => n.title)), { timeout: 10_000 })
    .toEqual(['Rinse now']);
  sql(`delete from push_subscription where kit_id = '${kit}'`);
  pushed.pushes.length = 0;
  await done();
});

test('a kitchen timer is asked for by the minutes that are left, and a timer that ended during a reload rings', async ({ browser, page: studio }) => {
  test.setTimeout(90_000);
  const { kit, page, done } = await opened(browser, studio, 'Maren');
  await start(page);
  await until(page, 'wait');
  await expect(page.locator('.step.shown .kitchen-timer')).toContainText(/Set your kitchen timer too: 3[45] minutes/);
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '33 minutes' where kit_id = '${kit}'`);
  await page.reload();
  await expect(page.locator('.step.shown .kitchen-timer')).toContainText(/[23] minutes/);
  // It ends while the page is being loaded again.
  await recorded(page, kit);
  sql(`update run_step set begun_at = begun_at - interval '3 minutes' where kit_id = '${kit}'`);
  await page.reload();
  await expect(page.locator('html[data-rang]')).toBeAttached({ timeout: 5000 });
  await page.reload();
  await page.waitForTimeout(1500);
  await expect(page.locator('html[data-rang]')).not.toBeAttached();
  await done();
});
