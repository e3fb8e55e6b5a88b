import { accessible, expect, fits, kitOf, signIn, sql, test, today } from './help.mjs';
import { startScale } from './scale.mjs';
import { freePort, serve } from './setup.mjs';
import jsqr from 'jsqr';

const facts = page => page.evaluate(() => ({ ...document.querySelector('#bench').dataset }));

/** The vessel is put on the scale, and the one key says so; once more where the page says that it moved after the key. */
async function place(page, scale, kind = 'put') {
  await scale.do(kind);
  const [go, says] = [page.locator('#go'), page.locator('#scale')];
  for (let again = true; again; again = await go.isVisible()) {
    await expect(says).toContainText(/steady|Press again/);
    await page.keyboard.press(' ');
    await expect.poll(async () => (await go.isHidden()) || (await says.innerText()).includes('Press again')).toBe(true);
  }
}

/** Pours what the page asks for, times something; waits until the page has moved on. */
async function pour(page, scale, times = 1) {
  const before = await facts(page);
  const rest = Number(before.target) - Number(before.partThere);
  await scale.do('pour', rest * times, 400);
  await page.waitForFunction(at => document.querySelector('#bench').dataset.at !== at, before.at, { timeout: 15_000, polling: 50 });
}

/** Goes on with one key until the kit is packed or something is asked. */
async function work(page, scale, until = 'done') {
  for (let i = 0; i < 60; i++) {
    const now = await facts(page);
    if (now.stage === until || now.stage === 'over') return now.stage;
    if (now.stage === 'close') {
      await page.keyboard.press(' ');
      await page.waitForFunction(at => document.querySelector('#bench').dataset.at !== at, now.at, { polling: 50 });
    } else {
      await expect(page.locator('#scale')).toContainText(/steady|moving/);
      if (await page.locator('#go').isVisible()) await place(page, scale);
      await pour(page, scale);
    }
  }
  throw new Error('the kit is never packed');
}

test('a kit of two formulas is packed with one key: every gram and lot stands in the record', async ({ page }) => {
  test.setTimeout(180_000);
  const scale = await startScale('--seed', '7', '--settle', '0.04');
  try {
    await today(page);
    await page.keyboard.press('b');
    await page.getByRole('link', { name: /Freya Tolling/ }).click();
    const id = kitOf('Freya');
    await expect(page.locator('.vessel')).toHaveCount(16);
    await accessible(page);
    await fits(page);

    // The first part of the blend is poured a tenth over: three ways, each with its numbers.
    await place(page, scale);
    await pour(page, scale, 1.1);
    await expect(page.locator('#bench')).toHaveAttribute('data-stage', 'over');
    await expect(page.locator('.way h3')).toHaveText(['Raise the others', 'Take it as it is', 'Start this one again']);
    await expect(page.locator('.way').first()).toContainText('g more');
    await accessible(page);
    await page.keyboard.press('1');
    await expect(page.locator('#bench')).toHaveAttribute('data-stage', 'pour');

    // The scale dies: what is in the bowl is known, the rest is typed.
    const there = Number((await facts(page)).there);
    await scale.do('dying');
    await expect(page.locator('#scale')).toContainText('LO BAT');
    await expect(page.locator('#scale')).toContainText('silent', { timeout: 15_000 });
    await page.reload();
    await expect(page.locator('.in-it')).toContainText(`${there.toFixed(1)} g`);
    const target = Number((await facts(page)).target);
    await page.getByLabel('The scale shows, in all').fill(String(there + target).replace('.', ','));
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect.poll(async () => (await facts(page)).vessel).toBe('0:main:colour');
    await scale.do('charged');

    expect(await work(page, scale)).toBe('done');
    await page.keyboard.press(' ');
    await page.waitForURL(/\/kits\//);
    await expect(page.locator('.page-head')).toContainText('to be posted');

    // In the record: no part without grams, no pour without a lot, and stock, kit and loss add up.
    expect(sql(`select count(*) from bench_event where kit_id = '${id}' and kind = 'poured' and item <> 'blend' and tube_id is null`)).toBe('0');
    expect(Number(sql(`select jsonb_array_length(weighed -> 'formulas') from kit where id = '${id}'`))).toBe(2);
    const [all, left] = sql(`select sum(grams), (select sum(grams) from tube) from stock_move`).split('|');
    expect(all).toBe(left);
    expect(sql(`select bool_or(typed) from bench_event where kit_id = '${id}'`)).toBe('t');
    await expect(page.locator('.weigh .write').nth(1)).toHaveText(/^[HJ]\d+/);
  } finally {
    scale.end();
  }
});

test('a lot change, a wrong tube, ounces, a jump and a lost cable lose nothing', async ({ page }) => {
  test.setTimeout(120_000);
  const scale = await startScale('--seed', '3');
  try {
    await signIn(page);
    await page.goto(`${process.env.KITTO_URL}/bench/${kitOf('Ilse')}`);
    await scale.do('put');
    const first = await facts(page);
    expect(first.stage).toBe('pour');

    // A code of another shade is refused by name, one of nobody too; a scanner types it and ends with Enter.
    const other = sql(`select t.code from tube t join lot l on l.id = t.lot_id where l.item <> '${first.item}' and l.line = 'lantern-cream' limit 1`);
    await page.getByLabel('Another tube').fill(other);
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.locator('#refused')).toContainText(`${first.item} is wanted here`);
    await page.locator('.bench-count').click();
    await page.keyboard.type('4006381333931', { delay: 5 });
    await page.keyboard.press('Enter');
    await expect(page.locator('#refused')).toContainText('Nobody has said what 4006381333931 is');

    // Another unit is named and nothing is kept; so is too much weight.
    await scale.do('unit');
    await expect(page.locator('#scale')).toContainText('Switch it to grams');
    await scale.do('unit');
    await place(page, scale);
    await scale.do('lean', 4000);
    await expect(page.locator('#scale')).toContainText('Too much is on the scale');
    await scale.do('put');
    await expect(page.locator('#scale')).toContainText('steady');
    expect((await facts(page)).at).toBe(first.at);

    // Half of it, then the tube is said to be empty: what was poured is kept, and the next tube is proposed.
    await page.reload();
    await place(page, scale);
    await scale.do('pour', Number(first.target) / 2);
    await expect.poll(async () => (await facts(page)).at, { timeout: 15_000 }).not.toBe(first.at);
    const tube = (await page.locator('.pour-from b').textContent()).trim();
    await page.getByRole('button', { name: `${tube} is empty` }).click();
    await expect(page.locator('.pour-from b')).not.toHaveText(tube);
    expect(sql(`select grams from tube where code = '${tube}'`)).toBe('0.00');

    // The cable is out, the tablet dies: another bench sees what is in it and goes on.
    const half = (await facts(page)).there;
    await scale.do('unplug');
    await expect(page.locator('#scale')).toContainText('silent', { timeout: 10_000 });
    const elsewhere = await page.context().newPage();
    await elsewhere.goto(page.url());
    expect((await facts(elsewhere)).there).toBe(half);
    await scale.do('plug');
    await scale.do('again');
    await place(elsewhere, scale, 'again');
    await pour(elsewhere, scale);
    await expect(elsewhere.locator('#bench')).toHaveAttribute('data-stage', 'close');
    // The first bench has seen it without being asked.
    await expect.poll(async () => (await facts(page)).stage, { timeout: 8000 }).toBe('close');
    const lots = sql(`select count(distinct tube_id) from bench_event where kit_id = '${kitOf('Ilse')}' and vessel = '${first.vessel}' and kind = 'poured'`);
    expect(lots).toBe('2');
  } finally {
    scale.end();
  }
});

test('killed at every step of a packing, the application loses no pour and takes none twice', async ({ page }) => {
  test.setTimeout(150_000);
  sql(`update studio set scale = '{"from":"typed"}'`);
  await signIn(page);
  const id = kitOf('Freya');
  const before = Number(sql(`select count(*) from bench_event where kit_id = '${id}' and kind = 'poured'`));
  const port = await freePort();
  let app = await serve(port);
  try {
    await page.goto(`http://127.0.0.1:${port}/bench/${id}`);
    let poured = before;
    for (let step = 0; step < 4; step++) {
      const now = await facts(page);
      if (now.stage === 'close') {
        await page.locator('#go').click();
        await expect.poll(async () => (await facts(page)).at).not.toBe(now.at);
        step--;
        continue;
      }
      expect(now.stage).toBe('pour');
      await page.getByLabel('The scale shows, in all').fill((Number(now.there) + Number(now.target) - Number(now.partThere)).toFixed(1));
      // Dead before it is asked, and dead while it is asked, by turns.
      if (step % 2 === 0) app.kill('SIGKILL');
      const pressed = page.getByRole('button', { name: 'Keep it' }).click();
      if (step % 2 === 1) setTimeout(() => app.kill('SIGKILL'), 6 * step);
      await pressed;
      await new Promise(resolve => (app.exitCode !== null || app.signalCode !== null ? resolve() : app.on('exit', resolve)));
      if (step % 2 === 0) await expect(page.locator('#unkept')).toContainText('Not kept yet');
      app = await serve(port);
      await expect.poll(async () => (await facts(page)).at, { timeout: 15_000 }).not.toBe(now.at);
      await expect(page.locator('#unkept')).toBeHidden();
      poured += 1;
      expect(Number(sql(`select count(*) from bench_event where kit_id = '${id}' and kind = 'poured'`))).toBe(poured);
      const [moves, there] = sql('select sum(grams), (select sum(grams) from tube) from stock_move').split('|');
      expect(moves).toBe(there);
    }
  } finally {
    app.kill('SIGTERM');
  }
});

test('labels: one a container, read back by another reader of codes; the paper bears the guide', async ({ page, browser }) => {
  await signIn(page);
  const id = kitOf('Liv');
  await page.goto(`${process.env.KITTO_URL}/bench/${id}/labels`);
  const labels = page.locator('.label');
  const sent = Number(sql(`select count(distinct vessel) from bench_event where kit_id = '${id}' and kind = 'labelled'`));
  await expect(labels).toHaveCount(sent);
  await expect(labels.first()).toContainText(/parti [HJ]\d+/);
  await expect(labels.first()).toContainText('Liv Holmsund');
  // As sharp as a label is printed.
  const sharp = await (
    await browser.newContext({ deviceScaleFactor: 3, storageState: await page.context().storageState(), viewport: { width: 1280, height: 1400 } })
  ).newPage();
  await sharp.goto(page.url());
  const elsewhere = await (await browser.newContext()).newPage();
  /** The code in a picture of something, by a library that is not the one that drew it. */
  async function code(locator) {
    const png = (await locator.screenshot()).toString('base64');
    const { data, width, height } = await elsewhere.evaluate(async url => {
      const image = await createImageBitmap(await (await fetch(url)).blob());
      const canvas = new OffscreenCanvas(image.width, image.height);
      const context = canvas.getContext('2d');
      context.imageSmoothingEnabled = false;
      context.drawImage(image, 0, 0, canvas.width, canvas.height);
      const pixels = context.getImageData(0, 0, canvas.width, canvas.height);
      return { data: [...pixels.data], width: canvas.width, height: canvas.height };
    }, 'data:image/png;base64,' + png);
    return jsqr(new Uint8ClampedArray(data), width, height)?.data;
  }
  for (const i of [0, sent - 1]) {
    const vessel = await labels.nth(i).getAttribute('data-vessel');
    expect(await code(sharp.locator('.label').nth(i).locator('.label-code'))).toBe(`${process.env.KITTO_URL}/bench/${id}?vessel=${encodeURIComponent(vessel)}`);
  }
  // The reader that comes along for browsers without one reads the same, by the page's own rules of what may run.
  const own = await page.evaluate(async () => {
    const { default: Detector } = await import('/lib/barcodes.js');
    const image = new Image();
    image.src = 'data:image/svg+xml,' + encodeURIComponent(new XMLSerializer().serializeToString(document.querySelector('.label-code svg')));
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [400, 400];
    canvas.getContext('2d').fillStyle = '#fff';
    canvas.getContext('2d').fillRect(0, 0, 400, 400);
    canvas.getContext('2d').drawImage(image, 20, 20, 360, 360);
    return (await new Detector({ formats: ['qr_code'] }).detect(canvas))[0]?.rawValue;
  });
  expect(own).toContain(`/bench/${id}?vessel=`);
  expect(await code(page.locator('.paper .qr'))).toMatch(/\/g\/[\w-]{20,}$/);
  await accessible(page);
  // On a roll each label is a page of its own, 62 mm wide, and nothing is cut.
  await page.emulateMedia({ media: 'print' });
  expect(Math.round(((await labels.first().evaluate(l => l.offsetWidth)) / 96) * 25.4)).toBe(62);
  expect(await labels.evaluateAll(all => all.every(l => l.scrollHeight <= l.clientHeight + 1))).toBe(true);
});

test('stock, lines, ledger and recall are read by everybody and fit', async ({ page }) => {
  await signIn(page);
  for (const path of [
    '/bench',
    '/shelf',
    '/shelf/stock?line=lantern-cream&item=6N',
    '/shelf/line/lantern-cream',
    '/ledger',
    '/ledger/recall?lot=H26828',
    '/house/scale',
    '/house/prices',
  ]) {
    await page.goto(process.env.KITTO_URL + path);
    await expect(page.locator('h1')).toBeVisible();
    await accessible(page);
    for (const width of [1024, 390]) {
      await page.setViewportSize({ width, height: 800 });
      await fits(page);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  }
  // The columns of families fit a usual screen.
  await page.goto(process.env.KITTO_URL + '/shelf');
  expect(await page.locator('.shades-box').evaluateAll(all => all.every(b => b.scrollWidth <= b.clientWidth))).toBe(true);
});
