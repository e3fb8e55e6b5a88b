// The bench: readings as they come, one key for everything that goes on, each step kept the moment it is steady.
import { $ } from '../dom.js';
import { morph } from '../morph.js';
import { read, steadiness, jumped } from './line.js';
import { base, judge } from './pour.js';
import { scanner, look } from './scan.js';
import { source } from './source.js';
import { kept, wait, waiting } from './unkept.js';

const silent = 2500;

export default function bench() {
  const page = () => $('#bench');
  if (!page()) return;
  const { kit, from } = page().dataset;
  const pattern = new RegExp(page().dataset.pattern);
  const step = Number(page().dataset.step);
  const still = steadiness(step);
  const scale = source(page().dataset);
  let close = null;
  let last = null;
  let zero = null; // what the scale shows with nothing of it in the vessel
  let zeroOf = '';
  let busy = false;
  let heard = 0;
  let hint = '';
  let wanted = null; // what the scale showed when the key was pressed before it was steady

  const say = (words, wrong = false) => {
    const place = $('#scale');
    if (place && place.textContent !== words) place.textContent = words;
    place?.classList.toggle('wrong', wrong);
  };
  const facts = () => {
    const d = page().dataset;
    return {
      stage: d.stage,
      vessel: d.vessel,
      item: d.item,
      there: Number(d.there),
      partThere: Number(d.partThere),
      target: Number(d.target),
      band: Number(d.band),
    };
  };

  // --- the page as the server has it ---
  function show(html, address) {
    const fresh = new DOMParser().parseFromString(html, 'text/html').getElementById('bench');
    if (!fresh) return location.reload();
    if (address) history.replaceState(null, '', address);
    const before = facts();
    morph(page(), fresh);
    // Another vessel, or this one begun again, stands on the scale as what is new.
    if (facts().vessel !== before.vessel || facts().there < before.there) forget();
    else draw();
    words();
    // What was typed was typed for what went before; and the key goes on, it does not press again what was pressed last.
    const typed = $('#shows');
    if (typed) typed.value = typed.getAttribute('value') ?? '';
    if (!page().contains(document.activeElement)) return;
    document.activeElement.blur();
    if (typed && !last) typed.focus();
  }
  async function refresh(address = location.pathname) {
    const answer = await fetch(address);
    if (answer.ok) show(await answer.text(), address);
  }
  function forget() {
    wanted = null;
    hint = '';
    zero = null;
    zeroOf = '';
    still.reset(performance.now());
    words();
  }

  // --- keeping ---
  /** Sends a form; what comes back must be this page, or nothing was taken down: the server is away, or the session is over. */
  async function post(address, body) {
    const answer = await fetch(address, { method: 'POST', body });
    const html = answer.status < 500 ? await answer.text() : '';
    if (!html.includes('id="bench"')) throw new Error(answer.redirected ? 'Sign in again in another tab' : 'no answer from Kitto');
    return html;
  }
  async function send(pour) {
    const body = new URLSearchParams(pour);
    body.set('__RequestVerificationToken', $('[name=__RequestVerificationToken]')?.value ?? '');
    const html = await post(`/bench/${kit}?handler=Tell`, body);
    kept(kit, pour.Event);
    show(html);
  }
  async function keep(net) {
    const form = $('#pour-form');
    if (!form || busy) return;
    const pour = Object.fromEntries(new FormData(form));
    Object.assign(pour, { Shows: net.toFixed(2), Typed: 'false', Event: crypto.randomUUID() });
    delete pour.__RequestVerificationToken;
    wait(kit, pour);
    busy = true;
    await flush();
    busy = false;
  }
  async function flush() {
    for (const pour of waiting(kit)) {
      try {
        await send(pour);
      } catch (why) {
        const place = $('#unkept');
        place.textContent = `${pour.Shows} g is poured and not kept yet: ${why.message}. Trying again; leave it as it is.`;
        place.hidden = false;
        setTimeout(() => {
          busy = true;
          flush().finally(() => {
            busy = false;
          });
        }, 1500);
        return;
      }
    }
    if ($('#unkept')) $('#unkept').hidden = true;
  }

  // --- the scale ---
  function take(line) {
    const at = performance.now();
    heard = at;
    const reading = read(line, pattern);
    if (!reading) return;
    if (reading.wrong) {
      last = null;
      say(reading.wrong, true);
      return;
    }
    if (last && jumped(last.grams, reading.grams, at - last.at)) still.reset(at);
    const steadyFor = still.take(reading, at);
    const first = !last;
    last = { ...reading, at, steadyFor };
    if (first) words();
    // What was poured before it stood still must not count for the empty vessel.
    if (wanted !== null && steadyFor) {
      const still = Math.abs(reading.grams - wanted) <= Math.max(3 * step, 0.5);
      wanted = null;
      if (still) go();
      else hint = 'It moved after the key was pressed. Press again when only the vessel stands on it.';
    }
    say(hint || `scale ${reading.grams.toFixed(step < 0.1 ? 2 : 1)} g, ${steadyFor ? 'steady' : 'moving'}`, hint !== '');
    draw();
    const { stage, there, partThere, target, band } = facts();
    if (stage !== 'pour' || zero === null || busy) return;
    const net = last.grams - zero;
    if (judge({ net, there, partThere, target, band, step, steadyFor }).keep) keep(net);
  }
  /** The number, the bar and the words follow the scale. */
  function draw() {
    const { stage, there, partThere, target, band } = facts();
    if (stage !== 'pour' || !last || zero === null) return;
    const net = last.grams - zero;
    const { rest, says } = judge({ net, there, partThere, target, band, step, steadyFor: last.steadyFor });
    const right = Math.abs(rest) <= band + 1e-9;
    $('#rest').textContent = Math.abs(rest).toFixed(step < 0.1 ? 2 : 1);
    $('#rest-words').textContent = right ? 'off: right' : rest > 0 ? 'to pour' : 'too much';
    $('#rest').closest('.pour-rest').dataset.state = right ? 'right' : rest > 0 ? 'under' : 'over';
    $('#reading').textContent = says;
    const bar = $('.pour-bar');
    const now = bar && $('.bar-now', bar);
    if (now) now.setAttribute('width', Math.max(0, Math.min(1000, ((partThere + net - there) / Number(bar.dataset.full)) * 1000)).toFixed(1));
  }
  /** What the one key does now. */
  function words() {
    if ($('#camera')) $('#camera').hidden = !navigator.mediaDevices?.getUserMedia;
    const go = $('#go');
    if (!go || facts().stage !== 'pour') return;
    const { there, vessel } = facts();
    const ready = scale && zero === null;
    go.hidden = !ready;
    if (ready)
      go.innerHTML = `${there > 0 ? 'It is on the scale again, with what is in it' : 'The empty vessel is on the scale'} <kbd aria-hidden="true">space</kbd>`;
    $('#pour-form')?.classList.toggle('by-scale', Boolean(scale && last));
    if (ready && zeroOf !== vessel) $('#reading').textContent = '';
  }
  function go() {
    const { stage, there, vessel } = facts();
    if (stage === 'pour') {
      if (zero !== null || !scale) return;
      if (!last || performance.now() - last.at > silent) return say('The scale is silent. Type what it shows, or connect it again.', true);
      hint = '';
      wanted = last.steadyFor ? null : last.grams;
      if (wanted !== null) return say('As soon as it is steady.');
      zero = base(last.grams, there);
      zeroOf = vessel;
      words();
      draw();
      return;
    }
    $('#go')?.form?.requestSubmit();
  }
  function connect() {
    close?.();
    if (!scale) {
      if (from === 'serial') say('This browser reads no serial scale. Type what it shows.', true);
      return;
    }
    close = scale.open(take, (why, tap) => {
      last = null;
      say(why, true);
      if ($('#connect')) $('#connect').hidden = !tap;
    });
  }
  setInterval(() => {
    if (scale && heard && performance.now() - heard > silent) {
      last = null;
      still.reset(performance.now());
      say('The scale is silent. Type what it shows, or connect it again.', true);
    }
  }, 500);

  // --- forms, keys, codes ---
  document.addEventListener('submit', async event => {
    const form = event.target;
    if (!page().contains(form) || form.method !== 'post') return;
    // Out of the page: the kit goes on to its sheet.
    if (form.action.includes('handler=Pack')) return;
    event.preventDefault();
    if (busy) return;
    busy = true;
    const fields = Object.fromEntries(new FormData(form));
    // A typed pour is as good as a weighed one: it waits here, too, until it is kept.
    const pour = form.id === 'pour-form' || fields.Kind === 'poured';
    try {
      if (pour) wait(kit, fields);
      const html = await post(form.action, new URLSearchParams(new FormData(form)));
      if (pour) kept(kit, fields.Event);
      show(html);
      $('#refused')?.scrollIntoView({ block: 'nearest' });
    } catch (why) {
      $('#unkept').textContent = `Not kept yet: ${why.message}. ${pour ? 'Trying again.' : 'Try it again.'}`;
      $('#unkept').hidden = false;
      if (pour) setTimeout(flush, 1500);
    }
    busy = false;
  });
  const scanned = scanner(code => {
    refresh(`/bench/${kit}?code=${encodeURIComponent(code)}&vessel=${encodeURIComponent(facts().vessel ?? '')}`);
  });
  document.addEventListener('keydown', event => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    // No number has a space in it.
    const field = event.target.closest('input, select, textarea, dialog');
    if (field && !(field.id === 'shows' && event.key === ' ')) return;
    if (scanned(event.key, event.timeStamp)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    if (event.key === ' ' && !event.target.closest('summary, button:not(#go), a')) {
      event.preventDefault();
      if (!event.repeat) go();
    }
    const way = /^[123]$/.test(event.key) && $(`[data-way="${event.key}"]`);
    if (way) way.click();
  });
  document.addEventListener('click', event => {
    const button = event.target.closest('button');
    if (button?.id === 'go' && button.type === 'button') go();
    else if (button?.id === 'connect') scale.ask().then(connect, () => {});
    else if (button?.id === 'dark') {
      const dark = document.body.classList.toggle('dark');
      button.setAttribute('aria-pressed', dark);
      document.cookie = `kitto-bench=${dark ? 'dark' : ''}; path=/; max-age=31536000; samesite=lax`;
    } else if (button?.id === 'camera') scan();
    // A tap on anything of the pour that is not a field, a link or a button goes on, too: gloves are wet.
    else if (!button && event.target.closest('.pour') && !event.target.closest('a, input, select, label, summary, form')) go();
  });
  async function scan() {
    const box = document.createElement('dialog');
    box.className = 'camera';
    box.innerHTML = '<video muted playsinline></video><button type="button" class="act quiet">Close</button>';
    document.body.append(box);
    box.showModal();
    let end = null;
    const shut = () => {
      end?.();
      box.remove();
    };
    $('button', box).addEventListener('click', shut);
    box.addEventListener('cancel', shut);
    try {
      end = await look($('video', box), code => {
        shut();
        refresh(`/bench/${kit}?code=${encodeURIComponent(code)}&vessel=${encodeURIComponent(facts().vessel ?? '')}`);
      });
    } catch {
      shut();
      say('The camera cannot be used here. Type the code or the lot.', true);
    }
  }

  // Another bench may work on the same kit.
  setInterval(async () => {
    if (document.hidden || busy) return;
    try {
      const answer = await fetch(`/bench/${kit}?handler=Told`);
      if (answer.ok && !busy && (await answer.text()) !== page().dataset.at) await refresh();
    } catch {
      /* asked again */
    }
  }, 2000);
  addEventListener('pagehide', () => close?.());
  connect();
  words();
  if (waiting(kit).length > 0) flush();
}
