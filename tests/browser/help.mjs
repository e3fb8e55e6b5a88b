import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { AxeBuilder } from '@axe-core/playwright';
import { expect } from '@playwright/test';
import { psql, root } from './setup.mjs';

/** Signs in with the demo account; sittings that other tests left open are put away first, unless they are wanted. */
export async function signIn(page, keepDrafts = false) {
  if (!keepDrafts && process.env.KITTO_BROWSER_DB) sql('delete from draft');
  await page.goto(process.env.KITTO_URL + '/signin');
  await page.getByLabel('Name').fill('tove');
  await page.getByLabel('Password').fill('mail-boat-days');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(process.env.KITTO_URL + '/');
}

/** Fails on anything the automated accessibility check finds. */
export async function accessible(page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).slice(0, 4).join(' | ')}`)).toEqual([]);
}

/** No sideways scrolling, and no text wider than its box is cut. */
export async function fits(page) {
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
}

/** Runs one statement in the run's own database: how a test lets time pass. */
export const sql = statement => psql(process.env.KITTO_BROWSER_DB, statement);

/** Lets time pass for what was said of a kit: it is moved back, as the owner of the database alone can. */
export const later = (kit, by) => sql(`set session_replication_role = replica; update safety_event set happened_at = happened_at - interval '${by}', said_at = said_at - interval '${by}' where kit_id = '${kit}'`);

/** Opens the sitting of a client of the demo. */
export async function openSitting(page, name) {
  await page.goto(process.env.KITTO_URL + '/clients?find=' + name);
  await page.locator('.line').first().click();
  await page.waitForURL(/clients\/[0-9a-f-]+$/);
  await page.goto(page.url() + '/prescription');
  await expect(page.locator('.verdict')).toBeVisible();
}

/** The console's answer to a case. */
export const prescribe = caseDocument => JSON.parse(spawnSync(join(root, 'kitto'), ['prescribe', '-'], { input: caseDocument, encoding: 'utf8' }).stdout);
