// The calendars, read back with an independent reader.
import ICAL from 'ical.js';
import { test, expect, accessible, fits, signIn, sql, guideOf, today } from './help.mjs';

const read = text => {
  const component = new ICAL.Component(ICAL.parse(text));
  for (const zone of component.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  return component.getAllSubcomponents('vevent').map(e => new ICAL.Event(e));
};
const london = when => new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/London', dateStyle: 'short', timeStyle: 'short' }).format(when.toJSDate());
const sound = text => {
  expect(text.endsWith('\r\n')).toBe(true);
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line), line).toBeLessThanOrEqual(75);
  expect(text).toContain('VERSION:2.0');
  const uids = read(text).map(e => e.uid);
  expect(new Set(uids).size).toBe(uids.length);
};

test('a client has her tests, the look after 48 hours and her colour day, with reminders, also over a change of the clocks', async ({ page, request }) => {
  await signIn(page);
  const { kit, link } = await guideOf(page, 'Bettany');
  sql(
    `set session_replication_role = replica; delete from safety_event where kit_id = '${kit}'; update kit_stand set look_at = '-infinity' where kit_id = '${kit}'`,
  );
  for (const [skin, put, look] of [
    ['2027-03-27', '2027-03-27 18:00', '2027-03-29 19:00'],
    ['2027-10-30', '2027-10-30 18:00', '2027-11-01 17:00'],
    ['2027-06-01', '2027-06-01 18:00', '2027-06-03 18:00'],
  ]) {
    sql(`update kit set skin_on = '${skin}', strand_on = date '${skin}' + 2, colour_on = date '${skin}' + 4, version = version + 1 where id = '${kit}'`);
    const answer = await request.get(link + '/days.ics');
    expect(answer.headers()['content-type']).toContain('text/calendar');
    const text = await answer.text();
    sound(text);
    const events = Object.fromEntries(read(text).map(e => [e.summary, e]));
    expect(Object.keys(events).sort()).toEqual(['Colour day', 'How did it go?', 'Skin test: look at the spot', 'Skin test: put it on', 'Strand test']);
    expect(london(events['Skin test: put it on'].startDate)).toBe(put);
    expect(london(events['Skin test: look at the spot'].startDate)).toBe(look);
    expect(events['Skin test: look at the spot'].startDate.toJSDate() - events['Skin test: put it on'].startDate.toJSDate()).toBe(48 * 3600 * 1000);
    expect(london(events['Colour day'].startDate)).toMatch(/ 10:00$/);
    expect(events['Colour day'].duration.toSeconds()).toBe(7200);
    for (const name of ['Colour day', 'Strand test', 'Skin test: put it on']) {
      const alarm = events[name].component.getFirstSubcomponent('valarm');
      expect(alarm.getFirstPropertyValue('action')).toBe('DISPLAY');
      expect(alarm.getFirstPropertyValue('trigger').toSeconds()).toBe(name === 'Colour day' ? -16 * 3600 : -3600);
    }
  }

  // The same things keep their names; their number of change goes up; nobody else's days are in it.
  const before = read(await (await request.get(link + '/days.ics')).text());
  sql(`update kit set version = version + 1 where id = '${kit}'`);
  const after = read(await (await request.get(link + '/days.ics')).text());
  expect(after.map(e => e.uid)).toEqual(before.map(e => e.uid));
  expect(after[0].sequence).toBe(before[0].sequence + 1);
  expect(after.every(e => e.uid.startsWith(kit.replaceAll('-', '')))).toBe(true);

  // A kit that is stopped is called off, not left standing.
  sql(`update kit set state = 'stopped', version = version + 1 where id = '${kit}'`);
  for (const event of read(await (await request.get(link + '/days.ics')).text())) expect(event.component.getFirstPropertyValue('status')).toBe('CANCELLED');
  sql(`update kit set state = 'posted' where id = '${kit}'`);
});

test('the studio subscribes by a secret address that can be closed, and the week shows the same days', async ({ page, request }) => {
  await today(page);
  await page.getByRole('link', { name: 'The week' }).click();
  await accessible(page);
  await fits(page);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Address of the studio').inputValue();
  const text = await (await request.get(address)).text();
  sound(text);
  const events = read(text);
  // This week and the next: how much of the demo falls into one of them depends on the day it is.
  let shown = 0;
  for (const next of [false, true]) {
    if (next) {
      await page.locator('nav[aria-label=Weeks] a').last().click();
      await page.waitForURL(/of=/);
    }
    const monday = await page.evaluate(() => new URL([...document.querySelectorAll('nav[aria-label=Weeks] a')].pop().href).searchParams.get('of'));
    const start = new Date(new Date(monday + 'T00:00:00Z') - 7 * 86_400_000);
    const inWeek = events.filter(e => {
      const day = london(e.startDate).slice(0, 10);
      return day >= start.toISOString().slice(0, 10) && day < monday && e.component.getFirstPropertyValue('status') !== 'CANCELLED';
    });
    await expect(page.locator('.week-day li:not(.more-of)')).toHaveCount(inWeek.length);
    for (const e of inWeek.filter(e => e.summary.startsWith('Pack')))
      await expect(page.locator('.week')).toContainText(e.summary.replace('Pack: ', '').split(',')[0]);
    shown += inWeek.length;
  }

  expect(shown).toBeGreaterThan(3);
  await page.goto(process.env.KITTO_URL + '/week?of=nonsense');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'close it' }).click();
  expect((await request.get(address)).status()).toBe(410);
  expect((await request.get(process.env.KITTO_URL + '/calendar/AAAAAAAAAAAAAAAAAAAAAA.ics')).status()).toBe(410);
});
