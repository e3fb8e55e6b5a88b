// Random walks (KITTO_WALKS=200 for a long look) through a run: taps, back, reload, no line, a line again, waiting. After each the record says what really was done, and when.
import { dice } from './dice.mjs';
import { line } from './line.mjs';
import { test, expect, guideOf, signIn, sql, tick } from './help.mjs';

const WALKS = Number(process.env.KITTO_WALKS ?? 20);
// A run that can be gone on with.
const READY = 'body:has(#run-next:enabled) .run[x-data=run] .step.shown';
// How near a moment is told to when it was, ms: on two busy cores a request takes its time.
const CLOSE = 1500;
const phone = { width: 390, height: 844 };

/** Asks the page something; while it loads itself again it is asked once more. */
async function ask(page, what, ...given) {
  for (let tries = 0; ; tries += 1) {
    try {
      await page.waitForSelector(READY);
      return await page.evaluate(what, ...given);
    } catch (wrong) {
      if (tries > 5 || !/context was destroyed|navigat/i.test(wrong.message)) throw wrong;
    }
  }
}

/** The step that is shown. */
const shownStep = page => ask(page, () => Number(document.querySelector('.step.shown').dataset.step));

/** Taps a button as a thumb would; a timer that still runs asks once more. What was shown before and after, and when it was. */
const tap = (page, id) =>
  ask(
    page,
    button => {
      const shown = () => Number(document.querySelector('.step.shown').dataset.step);
      const [before, at] = [shown(), Date.now()];
      document.getElementById(button).click();
      if (shown() === before) document.getElementById(button).click();
      return { before, after: shown(), at };
    },
    id,
  );

/** The first step begins by itself with the run; what is tapped is all the rest. */
const asked = said => !(said.word === 'step' && said.step === 1);

/** Loads the page again; where it was just loading itself again, that will do. */
const again = page => page.reload().catch(wrong => expect(wrong.message).toContain('ERR_ABORTED'));

/** What the record holds of a run: word, step and moment, as they were told. */
const record = kit =>
  sql(`select word || ' ' || step || ' ' || (extract(epoch from begun_at) * 1000)::bigint from run_step where kit_id = '${kit}' order by begun_at, seq`)
    .split('\n')
    .filter(Boolean)
    .map(row => row.split(' '))
    .map(([word, step, at]) => ({ word, step: Number(step), at: Number(at) }))
    .filter(asked);

/** A run on a phone that remembers nothing, begun with or without a line; what is done in it is written down beside the page. */
async function begin({ page, wire, kit, link, chance }) {
  wire.mend();
  await page.goto(wire.through(process.env.KITTO_URL + '/healthz/live'));
  await page.evaluate(() => localStorage.clear());
  sql(`delete from run_step where kit_id = '${kit}'`);
  await page.goto(wire.through(link));
  if (chance() < 0.5) {
    await page.waitForSelector('html[data-kept]', { state: 'attached' });
    wire.cut();
  }
  const run = { done: [{ word: 'start', step: 0, at: Date.now() }], begun: new Map() };
  await page.evaluate(() => {
    document.querySelector('.start-now [value=no]').checked = true;
    document.querySelector('.start-now button').click();
  });
  await page.waitForSelector(READY);
  await tick(page);
  return run;
}

/** One walk, from where the one before left off. */
async function walk({ page, wire, link, run, chance, name }) {
  const tell = (word, step, at) => {
    if (asked({ word, step })) run.done.push({ word, step, at });
    if (word === 'step') run.begun.set(step, at);
    else run.begun.delete(step);
  };
  const told = [];
  for (let turn = 0; turn < 5; turn += 1) {
    const before = await shownStep(page);
    const what = chance();
    told.push(what.toFixed(2));
    const message = `${name}, ${told}`;
    if (what < 0.45 && before < 10) {
      const { after, at } = await tap(page, 'run-next');
      tell('step', after, at);
      expect(after, message).toBe(before + 1);
    } else if (what < 0.65 && before > 1) {
      const { after, at } = await tap(page, 'run-back');
      if (run.begun.has(before)) tell('back', before, at);
      if (!run.begun.has(before - 1)) tell('step', before - 1, at);
      expect(after, message).toBe(before - 1);
    } else if (what < 0.73) {
      await again(page);
      await expect.poll(() => shownStep(page), { message }).toBe(before);
    } else if (what < 0.85) wire.cut();
    else if (what < 0.97) wire.mend();
    else await page.waitForTimeout(300);
  }
  wire.mend();
  const last = await shownStep(page);
  await page.evaluate(() => dispatchEvent(new Event('online')));
  // What the run holds is what another phone would go on from: each step with the moment it was begun.
  const standing = [...run.begun].filter(([step]) => step > 1).sort(([x], [y]) => x - y);
  await expect
    .poll(
      async () => {
        const { begun } = await (await fetch(link + '?handler=Run')).json();
        const held = Object.keys(begun).map(Number);
        return held.filter(step => step > 1).map(step => [step, Math.abs(begun[step] - (run.begun.get(step) ?? 0)) < CLOSE]);
      },
      { timeout: 20_000, message: `${name}: what was done, and when (${told})` },
    )
    .toEqual(standing.map(([step]) => [step, true]));
  expect(await shownStep(page), `${name}: the step at the end`).toBe(last);
}

// A hundred in each worker; Liv's kit is left as it was found by whoever uses it.
for (const half of [1, 2]) {
  test(`a hundred random walks, the ${['first', 'second'][half - 1]} half: the record is what was done, and no page failed`, async ({
    browser,
    page: studio,
  }) => {
    test.setTimeout(300_000);
    await signIn(studio);
    const { kit, link } = await guideOf(studio, 'Liv');
    const [wire, chance, problems] = [await line(), dice(half), []];
    const context = await browser.newContext({ viewport: phone, hasTouch: true });
    context.setDefaultTimeout(10_000);
    const page = await context.newPage();
    page.on('pageerror', e => problems.push(e.message));
    for (let i = 0, run; i < WALKS / 2; i += 1) {
      if (i % 10 === 0) run = await begin({ page, wire, kit, link, chance });
      await walk({ page, wire, link, run, chance, name: `walk ${i}` });
      // Every word of the run once, in its order, whatever came in between.
      const words = run.done.map(r => `${r.word} ${r.step}`);
      if (i % 10 === 9) await expect.poll(() => record(kit).map(r => `${r.word} ${r.step}`), { timeout: 20_000 }).toEqual(words);
    }
    await context.close();
    await wire.close();
    sql(`delete from run_step where kit_id = '${kit}'`);
    expect(problems).toEqual([]);
  });
}
