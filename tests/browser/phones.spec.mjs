// Two phones and one head, at random (KITTO_WALKS says how many, such as 1000): offline at any moment, a wrong clock, a kit cancelled or stopped meanwhile, reloads, double taps, doubled letters.
// Whatever happens: with colour on the head and no rinse, every page of that kit shows a rinse time or "rinse now", nothing says begin, over or get ready, and a warning that is due is in sight.
import { line } from './line.mjs';
import { test, expect, bounce, guideOf, signIn, sql } from './help.mjs';
import { dice } from './dice.mjs';

const WALKS = Number(process.env.KITTO_WALKS ?? 6);
// The runner slows down with every step of a test: many walks are many tests.
const OF_ONE_TEST = WALKS > 30 ? 30 : Math.ceil(WALKS / 2);
const MOVES = 5;
const WALKS_OF_ONE_HEAD = 3;

/** What a page shows, as somebody sees it who looks at it; null while it is being loaded. */
const look = page =>
  page
    .evaluate(() => {
      if (!document.documentElement.dataset.ready && document.body.classList.contains('guide')) return null;
      const visible = e => !!e && e.getClientRects().length > 0;
      const inSight = e => {
        const { left, top, right, bottom } = e.getBoundingClientRect();
        const on = document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
        return left >= -1 && top >= -1 && right <= innerWidth + 1 && bottom <= innerHeight + 1 && (e.contains(on) || on?.contains(e));
      };
      const late = document.querySelector('#run-late');
      const rinse = document.querySelector('#run-rinse');
      const heads = [...document.querySelectorAll('main h1')].filter(visible).map(h => h.textContent.trim());
      return {
        heads,
        step: Number(document.querySelector('.run[x-data=run] .step.shown')?.dataset.step ?? 0),
        kind: document.querySelector('.run[x-data=run] .step.shown')?.dataset.kind ?? '',
        ready: !document.querySelector('#run-next')?.disabled,
        start: visible(document.querySelector('.start-now button')),
        rinse:
          (visible(rinse) && rinse.textContent.trim()) ||
          (visible(late) && /Rinse/.test(late.textContent)) ||
          heads.includes('Rinse now') ||
          visible(document.querySelector('#late-run')),
        lateHidden: visible(late) && late.textContent && !inSight(late),
        rinsing: ['rinse', 'after'].includes(document.querySelector('.run[x-data=run] .step.shown')?.dataset.kind),
      };
    })
    .catch(() => null);

async function seen(page) {
  for (let tries = 0; tries < 200; tries += 1) {
    const found = await look(page);
    if (found && (found.start || found.step === 0 || found.ready)) return found;
    await page.waitForTimeout(30);
  }
  throw new Error('the page does not come to rest');
}

/** Words that must not be on a page while its phone has colour on the head. */
const forbidden = s => s.heads.filter(h => /You can start|Get ready|Start again|How did it go|All rinsed out|no longer in use|is cancelled|Stop$/.test(h));

/** A tap that is nobody's finger: fast walks need no pause between two of them. A question is answered by a second one. */
const click = (page, selector) => page.evaluate(s => document.querySelector(s)?.click(), selector).catch(() => {});
const next = async page => {
  const before = (await seen(page)).step;
  await page
    .evaluate(() => {
      for (const box of document.querySelectorAll('#checks input'))
        if (!box.checked) {
          box.checked = true;
          box.dispatchEvent(new Event('change', { bubbles: true }));
        }
    })
    .catch(() => {});
  await click(page, '#run-next');
  if ((await seen(page)).step === before) await click(page, '#run-next');
};

async function begin({ phones, link, kit }) {
  sql(`delete from run_step where kit_id = '${kit}'; update kit set state = 'posted', cancelled_at = null, cancelled_why = null, stopped_at = null, stop_reason = null where id = '${kit}';
       set session_replication_role = replica; delete from safety_event where kit_id = '${kit}' and kind in ('reaction', 'stop')`);
  for (const phone of phones) {
    phone.wire.mend();
    Object.assign(phone, { online: true, painted: false, big: false });
    // What the page was about to do is not waited for.
    await expect(async () => {
      await phone.page.goto(phone.wire.through(process.env.KITTO_URL + '/healthz/live'));
      await phone.page.evaluate(() => {
        localStorage.clear();
        sessionStorage.clear();
        return indexedDB.deleteDatabase('kitto-unsent');
      });
      await phone.page.goto(phone.wire.through(link));
      await phone.page.waitForSelector('html[data-kept]', { state: 'attached', timeout: 10_000 });
    }).toPass({ timeout: 40_000 });
  }
}

/** One thing that happens. */
async function move({ phones, kit, link, chance, head }) {
  const phone = phones[chance() < 0.6 ? 0 : 1];
  const { page, wire } = phone;
  const what = chance();
  const now = await seen(page);
  if (now.start) {
    if (what < 0.6) {
      await page
        .evaluate(() => {
          document.querySelector('.start-now [value=no]').checked = true;
          document.querySelector('.start-now button').click();
        })
        .catch(() => {});
      await page.waitForTimeout(150);
      // And on to the first zone, often.
      for (let i = 0; i < 4 && chance() < 0.85; i += 1) {
        const at = await seen(page);
        if (at.step === 0 || at.kind === 'paint') break;
        await next(page);
      }
      const at = await seen(page);
      if (['paint', 'wait'].includes(at.kind)) [phone.painted, head.colour] = [true, true];
      return 'start';
    }
  } else if (now.step > 0 && what < 0.35) {
    if (now.kind === 'wait' || now.kind === 'lengths') return 'waits';
    await next(page);
    const at = await seen(page);
    if (['paint', 'wait'].includes(at.kind)) [phone.painted, head.colour] = [true, true];
    return 'next';
  } else if (now.kind === 'paint' && now.step > head.first && what < 0.42) {
    await click(page, '#run-back');
    return 'back';
  } else if (now.step > 0 && now.kind === 'paint' && what < 0.48) {
    // The page may be another one by now.
    const box = await page.evaluate(() => document.querySelector('#run-next')?.getBoundingClientRect().toJSON()).catch(() => null);
    if (box?.width) {
      // Touches that find no page any more are given up.
      await Promise.race([bounce(page, box).catch(() => {}), page.waitForTimeout(3000)]);
      const at = await seen(page);
      expect(at.step, 'a double tap skips nothing').toBeLessThanOrEqual(now.step + 1);
    }
    return 'double tap';
  }
  if (what < 0.58) {
    await page.reload().catch(() => {});
    return 'reload';
  }
  if (what < 0.7) {
    if (phone.online) wire.cut();
    else wire.mend();
    phone.online = !phone.online;
    return phone.online ? 'mend' : 'cut';
  }
  if (what < 0.78) {
    phone.big = !phone.big;
    await page.evaluate(px => (document.documentElement.style.fontSize = px), phone.big ? '32px' : '').catch(() => {});
    return 'letters';
  }
  if (what < 0.82) {
    sql(`update kit set state = 'closed', cancelled_at = now(), cancelled_why = 'x', version = version + 1 where id = '${kit}' and cancelled_at is null`);
    return 'cancel';
  }
  if (what < 0.85) {
    // Somebody reports a reaction by telephone, through any link.
    await fetch(`${link}?handler=Burns`, { method: 'POST', body: new URLSearchParams({ id: crypto.randomUUID(), happened: 'it itches' }), redirect: 'manual' });
    return 'stop';
  }
  if (what < 0.88) {
    sql(`update run_step set begun_at = begun_at - interval '25 minutes' where kit_id = '${kit}'`);
    return 'time';
  }
  await page.waitForTimeout(250);
  return 'wait';
}

for (let part = 0; part * OF_ONE_TEST < WALKS; part += 1) {
  test(`two phones and one head, walks from ${part * OF_ONE_TEST} on`, async ({ browser, page: studio }) => {
    test.setTimeout(60_000 + OF_ONE_TEST * 15_000);
    await signIn(studio);
    const { kit, link } = await guideOf(studio, 'Maren');
    const chance = dice(Number(process.env.KITTO_SEED ?? 100) + part);
    const problems = [];
    const phones = [];
    for (const [size, off] of [
      [{ width: 390, height: 844 }, 0],
      [{ width: 360, height: 640 }, 37 * 60_000],
    ]) {
      const context = await browser.newContext({ viewport: size, hasTouch: true });
      context.setDefaultTimeout(15_000);
      const page = await context.newPage();
      page.on('pageerror', e => problems.push(e.message));
      if (off)
        await page.addInitScript(by => {
          const now = Date.now;
          Date.now = () => now() + by;
        }, off);
      phones.push({ page, context, wire: await line() });
    }
    const first = Number(sql(`select run_first from kit where id = '${kit}'`));
    for (let done = 0; done < OF_ONE_TEST;) {
      await begin({ phones, link, kit });
      const head = { colour: false, first };
      const told = [];
      for (let walk = 0; walk < WALKS_OF_ONE_HEAD && done < OF_ONE_TEST; walk += 1, done += 1) {
        for (let turn = 0; turn < MOVES; turn += 1) {
          told.push(await move({ phones, kit, link, chance, head }));
          const message = `head before walk ${done}: ${told.join(', ')}`;
          for (const phone of phones) {
            const s = await seen(phone.page);
            expect(s.lateHidden, `${message}: a warning is out of sight`).toBeFalsy();
            // The phone that painted knows it at once, with a network or without.
            if (phone.painted && !s.rinsing) {
              expect(forbidden(s), message).toEqual([]);
              expect(!!s.rinse, `${message}: no rinse on the phone that painted (${JSON.stringify(s)})`).toBe(true);
            }
          }
        }
        if (!head.colour) continue;
        // Every phone that can be reached hears of it.
        for (const phone of phones) {
          phone.wire.mend();
          phone.online = true;
          await phone.page.evaluate(() => dispatchEvent(new Event('online'))).catch(() => {});
        }
        for (const phone of phones) {
          const message = `head before walk ${done}: ${told.join(', ')}`;
          await expect
            .poll(
              async () => {
                const s = await seen(phone.page);
                return s.rinsing || (!!s.rinse && forbidden(s).length === 0 && !s.lateHidden) ? 'rinse' : JSON.stringify(s);
              },
              { timeout: 25_000, message: `${message}: a phone shows no rinse` },
            )
            .toBe('rinse');
          if (!phone.painted) phone.painted = true;
        }
      }
    }
    for (const phone of phones) {
      await phone.context.close();
      await phone.wire.close();
    }
    sql(`delete from run_step where kit_id = '${kit}'; update kit set state = 'posted', cancelled_at = null, cancelled_why = null, stopped_at = null, stop_reason = null where id = '${kit}';
         set session_replication_role = replica; delete from safety_event where kit_id = '${kit}' and kind in ('reaction', 'stop')`);
    expect(problems).toEqual([]);
  });
}
