/* eslint no-empty-pattern: off -- a worker's fixture asks for nothing, and has to say so by an empty pattern */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { test as base, expect } from '@playwright/test';
import startApplication, { psql, root } from './setup.mjs';

export { root };

/** A test in a worker that has an application, a database and one signed-in state of its own. */
export const test = base.extend({
  application: [
    async ({}, use) => {
      const stop = await startApplication();
      await use();
      await stop();
    },
    { scope: 'worker', auto: true, timeout: 90_000 },
  ],
});
export { expect };

let signedIn;

/** Signs in with the demo account: by hand once a worker, and the page is Today then; afterwards no page is opened. Sittings that other tests left open are put away first, unless they are wanted. */
export async function signIn(page, { keepDrafts = false, byHand = false } = {}) {
  if (!keepDrafts && process.env.KITTO_BROWSER_DB) sql('delete from draft');
  if (signedIn && !byHand) return page.context().addCookies(signedIn);
  await page.goto(process.env.KITTO_URL + '/signin');
  await page.getByLabel('Name').fill('tove');
  await page.getByLabel('Password').fill('mail-boat-days');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(process.env.KITTO_URL + '/');
  signedIn ??= (await page.context().cookies()).filter(c => c.name === 'kitto');
}

/** Today, signed in. */
export async function today(page) {
  await signIn(page);
  await page.goto(process.env.KITTO_URL + '/');
}

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Fails on anything the automated accessibility check finds: one pass in the page itself, which has no frames; a page that has the check already is not given it again. */
export async function accessible(page) {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
  const found = await page.evaluate(async () => {
    // Steps that are not shown are looked at when they are.
    const { violations } = await window.axe.run({ exclude: [['.js .step:not(.shown)']] }, { preload: false, resultTypes: ['violations'] });
    return violations.map(
      v =>
        `${v.id}: ${v.nodes
          .map(n => n.target.join(' '))
          .slice(0, 4)
          .join(' | ')}`,
    );
  });
  expect(found).toEqual([]);
}

/** No sideways scrolling, and no text wider than its box is cut. */
export async function fits(page) {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}

/** Runs one statement in the run's own database: how a test lets time pass. */
export const sql = statement => psql(process.env.KITTO_BROWSER_DB, statement);

/** Lets time pass for what was said of a kit: it is moved back, as the owner of the database alone can. */
export const later = (kit, by) =>
  sql(
    `set session_replication_role = replica; update safety_event set happened_at = happened_at - interval '${by}', said_at = said_at - interval '${by}' where kit_id = '${kit}'; update kit_stand set look_at = '-infinity' where kit_id = '${kit}'`,
  );

/** The client of the demo whose name begins so. */
export const clientOf = name => sql(`select id from client where name like '${name}%' order by created_at limit 1`);

/** Opens the sitting of a client of the demo. */
export async function openSitting(page, name) {
  await page.goto(`${process.env.KITTO_URL}/clients/${clientOf(name)}/prescription`);
  await expect(page.locator('.verdict')).toBeVisible();
}

/** The console's answer to a case. */
export const prescribe = caseDocument => JSON.parse(spawnSync(join(root, 'kitto'), ['prescribe', '-'], { input: caseDocument, encoding: 'utf8' }).stdout);

/** The newest kit of a client of the demo. */
export const kitOf = name => sql(`select id from kit where client_id = '${clientOf(name)}' order by number desc limit 1`);

/** The newest kit of a client of the demo and the link to its guide, asked for as a browser would, without drawing a page. */
export async function guideOf(page, name) {
  const kit = kitOf(name);
  const sheet = `${process.env.KITTO_URL}/kits/${kit}`;
  const link = html => html.match(/aria-label="Link to the guide" value="([^"]+)"/)?.[1];
  let html = await (await page.request.get(sheet)).text();
  if (!link(html)) {
    const [, token] = html.match(/name="__RequestVerificationToken" type="hidden" value="([^"]+)"/);
    html = await (await page.request.post(`${sheet}?handler=Link`, { form: { __RequestVerificationToken: token } })).text();
  }
  return { kit, link: link(html) };
}

/** A run that can be gone on with. */
export const READY = '.run[x-data=run]:has(.step.shown)';

/** Begins a run on a head without colour, and ticks what is asked before anything is mixed. */
export async function start(page) {
  await page.locator('.start-now [name=colour][value=no]').check();
  await page.locator('.start-now button').click();
  await page.waitForSelector(READY);
  await tick(page);
}

/** Ticks every line of the first step. */
export const tick = page =>
  page.evaluate(() => {
    for (const box of document.querySelectorAll('#checks input')) {
      box.checked = true;
      box.dispatchEvent(new Event('change', { bubbles: true }));
    }
  });

// A second tap within 400 ms is no tap.
const DEAF = 430;

/** Taps a button of the run as a thumb would: not twice within a moment. */
export async function tap(page, selector = '#run-next') {
  await page.waitForTimeout(DEAF);
  await page.locator(selector).click();
}

/** Two touches of one finger, so many milliseconds apart by the phone's own clock, however busy the machine is. */
export async function bounce(page, { x, y, width, height }, apart = 150) {
  const phone = await page.context().newCDPSession(page);
  const began = Date.now() / 1000;
  for (const after of [0, apart / 1000]) {
    const at = { touchPoints: [{ x: x + width / 2 + after * 40, y: y + height / 2 }] };
    await phone.send('Input.dispatchTouchEvent', { type: 'touchStart', ...at, timestamp: began + after });
    await phone.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [], timestamp: began + after + 0.03 });
  }
  await phone.detach();
}

/** Goes on until a step of a kind is shown; not by a finger, which would have to wait between two taps. */
export async function until(page, kind) {
  await page.waitForSelector('body:has(#run-next:enabled) .run[x-data=run] .step.shown');
  await page.evaluate(wanted => {
    const shown = () => document.querySelector('.step.shown')?.dataset.kind;
    for (let i = 0; i < 40 && shown() && shown() !== wanted; i += 1) document.querySelector('#run-next').click();
  }, kind);
  await expect(page.locator('.step.shown')).toHaveAttribute('data-kind', kind);
}
