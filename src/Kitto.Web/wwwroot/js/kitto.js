// What the pages do in the browser. Nothing is reckoned here: facts go to the server, drawings and sentences come back.
(() => {
  'use strict';
  document.documentElement.classList.add('js');
  const $ = (selector, from = document) => from.querySelector(selector);
  const $$ = (selector, from = document) => [...from.querySelectorAll(selector)];

  document.addEventListener('click', event => {
    const button = event.target.closest('button');
    if (!button) return;
    if (button.hasAttribute('data-print')) window.print();
    if (button.dataset.copy) {
      navigator.clipboard?.writeText(button.dataset.copy).then(() => { button.textContent = 'Copied'; }, () => $('[data-select]')?.select());
    }
    if (button.dataset.open) $('#' + button.dataset.open).showModal();
    if (button.dataset.close) $('#' + button.dataset.close).close();
    if (button.dataset.step && button.dataset.for) step($('#' + button.dataset.for), Number(button.dataset.step));
  });

  document.addEventListener('keydown', event => {
    if (event.target.closest('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '/' && $('#find')) { event.preventDefault(); $('#find').focus(); }
    if (event.key === '?' && $('#keys')) { event.preventDefault(); $('#keys').showModal(); }
  });

  function step(input, by) {
    const size = input.name.endsWith('greyPercent') ? 5 : 1;
    const most = input.name.endsWith('greyPercent') ? 100 : 300;
    const now = Number((input.value || '0').replace(',', '.'));
    if (Number.isNaN(now)) return;
    input.value = String(Math.min(most, Math.max(0, now + by * size)));
    input.dispatchEvent(new Event('input', { bubbles: true }));
  }

  document.addEventListener('alpine:init', () => {
    // Clients: rows as one types.
    Alpine.data('finder', () => ({
      timer: 0,
      turn: 0,
      later() { clearTimeout(this.timer); this.timer = setTimeout(() => this.now(), 120); },
      async now() {
        const turn = ++this.turn;
        const text = $('#find-here').value;
        const answer = await fetch('/clients?handler=Rows&find=' + encodeURIComponent(text));
        if (turn !== this.turn || !answer.ok) return;
        $('#found').innerHTML = await answer.text();
        history.replaceState(null, '', text ? '/clients?find=' + encodeURIComponent(text) : '/clients');
      },
    }));

    // The questions: none and something exclude each other; more lines as they are needed.
    Alpine.data('questions', () => ({
      init() {
        this.$el.addEventListener('change', event => {
          const box = event.target;
          if (box.type !== 'checkbox' || !box.checked) return;
          const all = $$('input[type=checkbox]', box.closest('fieldset'));
          const none = box.name.startsWith('none.');
          for (const other of all) if (other !== box && other.name.startsWith('none.') !== none) other.checked = false;
        });
        this.$el.addEventListener('input', event => {
          const row = event.target.closest('.put');
          if (row && event.target.value) { const none = $('[name="none.putOn"]', this.$el); none.checked = false; }
        });
        $('[data-more-rows]', this.$el).addEventListener('click', event => {
          const next = $('.put[hidden]', this.$el);
          if (next) { next.hidden = false; $('select', next).focus(); }
          event.target.hidden = !$('.put[hidden]', this.$el);
        });
      },
    }));

    // The sitting: move a fact, see the consequence.
    Alpine.data('sitting', () => ({
      picked: new Set(['frontHairline']),
      drag: null,
      timer: 0,
      turn: 0,
      retry: 0,
      past: [],
      future: [],
      init() {
        this.show();
        this.past = [this.form()];
        document.addEventListener('keydown', event => {
          if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') { event.preventDefault(); if (event.shiftKey) this.redo(); else this.undo(); }
          if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'y') { event.preventDefault(); this.redo(); }
          if (event.key === 'l' && !event.ctrlKey && !event.metaKey && !event.altKey && !event.target.closest('input, select, textarea')) this.again();
        });
        const head = $('.head-box');
        head.addEventListener('click', event => {
          const zone = event.target.closest('.zone[role=button]');
          if (zone) this.pick(zone.dataset.zone, event.shiftKey || event.ctrlKey || event.metaKey);
        });
        head.addEventListener('keydown', event => this.key(event));
        window.addEventListener('online', () => this.ask());
        // The drawings of the answer come fresh with every answer, so they are listened to from here, and a drag goes on over a new drawing.
        const answer = $('#answer');
        answer.addEventListener('click', event => {
          const mix = event.target.closest('[data-mix]');
          if (mix?.tagName === 'BUTTON') this.take(mix.dataset.mix);
        });
        answer.addEventListener('pointerdown', event => this.grab(event));
        answer.addEventListener('keydown', event => this.nudge(event));
        answer.addEventListener('change', event => {
          if (!event.target.matches('[data-add]') || !event.target.value) return;
          event.stopPropagation();
          const parts = this.parts();
          const largest = parts.reduce((a, b) => (b.share > a.share ? b : a));
          const given = Math.min(.1, largest.share / 2);
          largest.share -= given;
          this.take(this.write([...parts, { code: event.target.value, share: given }]));
        });
        window.addEventListener('pointermove', event => this.drag?.(event));
        window.addEventListener('pointerup', () => { this.drag = null; });
        window.addEventListener('pointercancel', () => { this.drag = null; });
      },
      names() { return $$('.zone-fields').map(f => f.dataset.zone); },
      all() { this.picked = new Set(this.names()); this.show(); },
      pick(zone, more) {
        if (!more) this.picked = new Set([zone]);
        else if (this.picked.has(zone) && this.picked.size > 1) this.picked.delete(zone);
        else this.picked.add(zone);
        this.show();
      },
      show() {
        const names = this.names().filter(n => this.picked.has(n));
        $$('.zone-fields').forEach(f => f.classList.toggle('shown', f.dataset.zone === names[0]));
        $$('.zone[role=button]').forEach(z => z.setAttribute('aria-pressed', this.picked.has(z.dataset.zone)));
        const says = names.map(n => $('legend', $(`.zone-fields[data-zone=${n}]`)).textContent);
        const look = $('[name=look]');
        if (names[0] && look.value !== names[0]) { look.value = names[0]; this.later(0); }
        $('#picked').textContent = says.length === 9 ? 'Whole head' : says.join(', ').replace(/^./, c => c.toUpperCase());
      },
      key(event) {
        const zone = event.target.closest('.zone[role=button]');
        if (!zone) return;
        const name = zone.dataset.zone;
        const field = what => $(`[name="zones.${name}.${what}"]`);
        const act = {
          Enter: () => this.pick(name, event.shiftKey), ' ': () => this.pick(name, event.shiftKey),
          ArrowUp: () => this.only(name, () => step(field('regrowthMm'), 1)), ArrowDown: () => this.only(name, () => step(field('regrowthMm'), -1)),
          '+': () => this.only(name, () => step(field('greyPercent'), 1)), '-': () => this.only(name, () => step(field('greyPercent'), -1)),
          r: () => this.only(name, () => field('resistant').click()), x: () => this.only(name, () => field('include').click()),
        }[event.key];
        if (act) { event.preventDefault(); event.stopPropagation(); act(); }
      },
      only(name, change) { if (!this.picked.has(name)) this.pick(name, false); change(); },
      changed(event) {
        const field = event.target;
        this.touch();
        const zone = field.closest?.('.zone-fields');
        // One gesture for every picked zone: the field that moved is copied to its twins.
        if (zone && this.picked.has(zone.dataset.zone)) {
          const what = field.name.split('.').pop();
          for (const other of this.picked) {
            const twin = $(`[name="zones.${other}.${what}"]`);
            if (twin === field) continue;
            if (field.type === 'checkbox') twin.checked = field.checked; else twin.value = field.value;
          }
        }
        // Another line or service has other shades: a mix made by hand does not go with it.
        if (field.name === 'line' || field.name === 'goal.service') $('[name=mix]').value = '';
        if (field.name === 'painting.order') this.order(field.value === 'own' ? this.lanes() : []);
        this.later(90);
      },
      // The order of painting: lanes as they stand, and one of them moved to another place.
      lanes() { return $$('.lane-move').map(l => l.dataset.zone); },
      order(zones) {
        $('[name="painting.sequence"]').value = zones.join(', ');
        if (zones.length) $('[name="painting.order"]').value = 'own';
      },
      move(zone, to) {
        const zones = this.lanes();
        const from = zones.indexOf(zone);
        const at = Math.min(zones.length - 1, Math.max(0, to));
        if (from < 0 || at === from) return;
        zones.splice(at, 0, ...zones.splice(from, 1));
        this.order(zones);
        this.touch();
        this.later(0);
      },
      later(ms) { clearTimeout(this.timer); this.timer = setTimeout(() => this.ask(), ms); this.remember(); },
      take(mix) { $('[name=mix]').value = mix; this.touch(); this.later(0); },
      touch() { $('[name=touched]').value = '1'; },
      again() { const mix = $('#again')?.dataset.again; if (mix) this.take(mix); },
      // The whole sitting back and forth: what stands in the form, a step for each pause in typing.
      fields() { return [...$('#sitting').elements].filter(f => f.name && !f.name.startsWith('__') && !f.closest('#answer') && !['begunFrom', 'touched', 'look', 'keep'].includes(f.name)); },
      form() { return JSON.stringify(this.fields().map(f => (f.type === 'checkbox' ? f.checked : f.value))); },
      remember() { clearTimeout(this.pause); this.pause = setTimeout(() => this.step(), 350); },
      step() {
        clearTimeout(this.pause);
        const now = this.form();
        if (now !== this.past.at(-1)) { this.past.push(now); this.future = []; }
        $('#undo').disabled = this.past.length < 2;
        $('#redo').disabled = this.future.length === 0;
      },
      undo() { this.step(); if (this.past.length > 1) { this.future.push(this.past.pop()); this.put(this.past.at(-1)); } },
      redo() { this.step(); if (this.future.length > 0) { this.past.push(this.future.pop()); this.put(this.past.at(-1)); } },
      put(text) {
        const values = JSON.parse(text);
        this.fields().forEach((f, i) => { if (f.type === 'checkbox') f.checked = values[i]; else f.value = values[i]; });
        this.touch();
        this.step();
        this.later(0);
      },
      parts() { return ($('[name=mix]').value || $('#mix-bar').dataset.mix).split(' ').map(p => p.split(':')).map(([code, share]) => ({ code, share: Number(share) })); },
      write(parts) { return parts.filter(p => p.share > .004).map(p => `${p.code}:${Number(p.share.toFixed(3))}`).join(' '); },
      // Moves the border after part i to the nearest tenth; what one gives the other gets, and at nothing it leaves the mix.
      border(parts, i, to) {
        const before = parts.slice(0, i).reduce((sum, p) => sum + p.share, 0);
        const both = parts[i].share + parts[i + 1].share;
        const at = Math.min(before + both, Math.max(before, Math.round(to * 10) / 10));
        const moved = parts.map(p => ({ ...p }));
        moved[i].share = at - before;
        moved[i + 1].share = before + both - at;
        return this.write(moved);
      },
      grab(event) {
        const line = event.target.closest('#line-handle');
        const bar = event.target.closest('.bar-handle');
        const lane = event.target.closest('.lane-move');
        if (lane) {
          event.preventDefault();
          lane.focus();
          const { zone } = lane.dataset;
          let last = -1;
          // The drawing comes fresh while it is dragged, so its place is asked for anew.
          this.drag = e => {
            const svg = $('svg.clock');
            const box = svg.getBoundingClientRect();
            const y = (e.clientY - box.top) / box.height * Number(svg.dataset.height);
            const at = Math.floor((y - Number(svg.dataset.top)) / Number(svg.dataset.lane));
            if (at !== last) { last = at; this.move(zone, at); }
          };
          return;
        }
        if (!line && !bar) return;
        event.preventDefault();
        const svg = event.target.closest('svg');
        const box = svg.getBoundingClientRect();
        const unit = Number(svg.dataset.width) / box.width;
        if (line) {
          const { zone } = line.dataset;
          const perUnit = Number(svg.dataset.mm);
          const start = Number(line.getAttribute('aria-valuenow'));
          const from = event.clientX;
          this.drag = e => this.only(zone, () => this.set(zone, start + (e.clientX - from) * unit * perUnit));
        } else {
          const parts = this.parts();
          const i = Number(bar.dataset.at);
          let last = this.write(parts);
          this.drag = e => {
            const now = this.border(parts, i, (e.clientX - box.left) / box.width);
            if (now !== last) { last = now; this.take(now); }
          };
        }
      },
      set(zone, mm) {
        const field = $(`[name="zones.${zone}.regrowthMm"]`);
        const value = String(Math.min(300, Math.max(0, Math.round(mm))));
        if (field.value === value) return;
        field.value = value;
        field.dispatchEvent(new Event('input', { bubbles: true }));
      },
      nudge(event) {
        const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
        const at = event.target.closest('[role=slider]');
        if (!by || !at) return;
        event.preventDefault();
        if (at.classList.contains('lane-move')) this.move(at.dataset.zone, Number(at.getAttribute('aria-valuenow')) - 1 + (event.key === 'ArrowUp' || event.key === 'ArrowLeft' ? -1 : 1));
        else if (at.id === 'line-handle') this.only(at.dataset.zone, () => this.set(at.dataset.zone, Number($(`[name="zones.${at.dataset.zone}.regrowthMm"]`).value) + by));
        else {
          const parts = this.parts();
          const i = Number(at.dataset.at);
          const here = parts.slice(0, i + 1).reduce((sum, p) => sum + p.share, 0);
          this.take(this.border(parts, i, here + by * .1));
        }
      },
      async ask() {
        const turn = ++this.turn;
        const state = $('#state');
        const form = $('#sitting');
        clearTimeout(this.retry);
        try {
          const body = new FormData(form);
          const answer = await fetch(form.dataset.preview, { method: 'POST', body, redirect: 'error' });
          if (!answer.ok) throw new Error(String(answer.status));
          const html = await answer.text();
          if (turn !== this.turn) return;
          const fresh = new DOMParser().parseFromString(html, 'text/html');
          const focused = document.activeElement?.closest?.('.zone[role=button]')?.dataset.zone;
          const inside = $('#answer').contains(document.activeElement) ? document.activeElement.id : '';
          const scrolled = $('.reasons-box')?.scrollTop ?? 0;
          $('#head-drawing').replaceChildren(...$('#head-drawing', fresh).childNodes);
          $('#answer').replaceChildren(...$('#answer', fresh).childNodes);
          this.show();
          if (focused) $(`.zone[data-zone=${focused}]`)?.focus();
          if (inside) document.getElementById(inside)?.focus({ preventScroll: true });
          if ($('.reasons-box')) $('.reasons-box').scrollTop = scrolled;
          this.complain();
          $('#sign').textContent = $('.verdict')?.dataset.sign ?? 'Sign off';
          state.classList.remove('bad');
          state.textContent = 'kept as a draft';
        } catch {
          if (turn !== this.turn) return;
          state.classList.add('bad');
          state.textContent = 'No answer; nothing typed is lost. Trying again.';
          this.retry = setTimeout(() => this.ask(), 2000);
        }
      },
      complain() {
        const said = new Map($$('.missing-list li').map(li => [li.dataset.path, li.dataset.says]));
        for (const place of $$('[data-error]')) {
          const says = said.get(place.dataset.error) ?? '';
          place.textContent = says;
          const field = $(`[name="${place.dataset.error}"]`);
          if (says) { field?.setAttribute('aria-invalid', 'true'); field?.setAttribute('aria-describedby', place.id); } else { field?.removeAttribute('aria-invalid'); field?.removeAttribute('aria-describedby'); }
        }
      },
      closeKeys() { $('#keys').close(); },
    }));

    // The guide's run: one step a screen. What was done when is kept here until the server has it; the server says when to rinse,
    // and another device goes on from there. Without a network it goes on by itself.
    Alpine.data('run', () => ({
      at: 1,
      unsent: [],
      begun: {},
      first: 0,
      rinse: 0,
      says: '',
      shift: 0,
      init() {
        this.key = 'kitto-run-' + this.$el.dataset.run;
        try { Object.assign(this, JSON.parse(localStorage.getItem(this.key) ?? '{}')); } catch { /* a damaged note begins again */ }
        this.steps = $$('.step[data-step]', this.$el);
        this.at = Math.min(Math.max(1, this.at), this.steps.length + 1);
        $('#run-acts').hidden = false;
        this.show(false);
        setInterval(() => this.tick(), 500);
        setInterval(() => { if (!document.hidden) this.sync(); }, 4000);
        document.addEventListener('visibilitychange', () => { if (!document.hidden) this.sync(); });
        window.addEventListener('online', () => this.sync());
        if (location.hash === '#report' && $('.report .error:not(:empty)')) { this.at = this.steps.length + 1; this.show(false); } else this.sync();
      },
      now() { return Date.now() + this.shift; },
      keep() { const { at, unsent, begun, first, rinse, says, shift } = this; try { localStorage.setItem(this.key, JSON.stringify({ at, unsent, begun, first, rinse, says, shift })); } catch { /* private window: it runs without memory */ } },
      id() { return [8, 4, 4, 4, 12].map(n => [...crypto.getRandomValues(new Uint8Array(n))].map(b => (b % 16).toString(16)).join('')).join('-'); },
      begin() {
        const at = Math.round(this.now());
        this.begun[this.at] = at;
        this.unsent.push(`${this.id()} ${this.at} ${at}`);
        if (this.step()?.dataset.kind === 'paint' && !this.first) this.first = at;
        this.rinse = 0;
        this.keep();
        this.sync();
      },
      async sync() {
        if (this.busy) return;
        this.busy = true;
        const sending = this.unsent.length;
        try {
          const form = $('#run-steps');
          const body = new FormData(form);
          body.set('steps', this.unsent.join('\n'));
          const answer = await fetch(form.action, sending ? { method: 'POST', body } : undefined);
          // Locked meanwhile, or stopped: the page itself says so.
          if (answer.status === 410 || answer.redirected) { location.reload(); return; }
          if (!answer.ok) return;
          const stand = await answer.json();
          this.unsent.splice(0, sending);
          this.shift = stand.now - Date.now();
          if (this.unsent.length === 0) {
            const before = this.at;
            Object.assign(this, { begun: stand.begun, first: stand.first ?? 0, rinse: stand.rinse ?? 0, says: stand.says ?? '' });
            this.lanes = stand.lanes;
            const reporting = before > this.steps.length;
            if (Object.keys(stand.begun).length > 0 && stand.at !== before && !reporting) { this.at = Math.min(stand.at, this.steps.length + 1); this.show(true, true); }
            if (!reporting && Object.keys(stand.begun).length === 0 && this.at === 1) { this.busy = false; this.begin(); }
          }
          this.keep();
          this.tick();
        } catch { /* no network: it is tried again */ } finally { this.busy = false; }
        if (this.unsent.length > 0 && navigator.onLine) setTimeout(() => this.sync(), 300);
      },
      step() { return this.steps[this.at - 1]; },
      next() {
        const left = this.left();
        if (left > 0 && !$('#run-next').dataset.sure) {
          $('#run-next').dataset.sure = '1';
          this.tick();
          return;
        }
        if (this.at <= this.steps.length) this.at += 1;
        this.show(true);
        this.begin();
      },
      back() { if (this.at > 1) this.at -= 1; this.show(true); this.begin(); },
      show(moved) {
        const step = this.step();
        this.steps.forEach(s => s.classList.toggle('shown', s === step));
        $('.report').classList.toggle('shown', !step);
        const head = $('#guide-head');
        head.hidden = step?.dataset.kind !== 'paint';
        $$('.zone', head).forEach(z => z.classList.toggle('now', z.dataset.zone === step?.dataset.zone));
        const button = $('#run-next');
        delete button.dataset.sure;
        const after = this.steps[this.at];
        button.hidden = !step;
        button.textContent = after ? 'Done, next: ' + $('h1', after).textContent.toLowerCase() : 'Done, on to the report';
        $('#run-back').hidden = this.at === 1;
        $('#bar-aside').textContent = step ? `step ${this.at} of ${this.steps.length + 1}` : 'report';
        this.keep();
        this.tick();
        if (moved) { window.scrollTo(0, 0); $('h1', step ?? $('.report'))?.focus(); }
      },
      // The rinse as the server reckons it; until it has answered, as planned from what is known here.
      rinseAt() {
        if (this.rinse) return this.rinse;
        const process = Number(this.$root.dataset.process) * 60000;
        const wait = this.steps.find(s => s.dataset.kind === 'wait');
        const done = wait && this.at >= Number(wait.dataset.step) ? this.begun[wait.dataset.step] : 0;
        return done ? done + process : Math.max(this.first + Number(this.$root.dataset.rinse) * 60000, this.now() + process);
      },
      // Seconds left on the timer of this step: up to the rinse for the wait before it, its own minutes otherwise.
      left() {
        const step = this.step();
        const minutes = Number(step?.dataset.minutes || 0);
        if (!minutes) return 0;
        if (step.dataset.kind === 'wait' && this.first) {
          const lengths = this.steps[this.at]?.dataset.kind === 'lengths' ? Number(this.steps[this.at].dataset.minutes || 0) : 0;
          return (this.rinseAt() - this.now()) / 1000 - lengths * 60;
        }
        return minutes * 60 - (this.now() - (this.begun[this.at] ?? this.now())) / 1000;
      },
      tick() {
        const step = this.step();
        const box = $('#run-clock');
        const timed = step && Number(step.dataset.minutes || 0) > 0;
        const running = this.first && step && ['paint', 'wait', 'lengths', 'mix'].includes(step.dataset.kind);
        box.hidden = !step || !(timed || (running && step.dataset.kind !== 'lengths'));
        const lanes = $('#run-lanes');
        $('#run-whole').hidden = !(running && this.lanes);
        if (this.lanes && lanes.dataset.drawn !== this.lanes) { lanes.innerHTML = this.lanes; lanes.dataset.drawn = this.lanes; }
        const late = $('#run-late');
        const sure = $('#run-next').dataset.sure;
        const says = sure ? 'There is still time on the clock. Tap again only if your colourist told you to go on.' : running ? this.says : '';
        if (!box.hidden) {
          const two = n => String(Math.floor(n)).padStart(2, '0');
          const clock = seconds => two(Math.abs(seconds) / 60) + ':' + two(Math.abs(seconds) % 60);
          const hour = ms => { const d = new Date(ms - this.shift); return two(d.getHours()) + ':' + two(d.getMinutes()); };
          if (timed) {
            const left = this.left();
            $('#run-time').textContent = clock(left);
            $('#run-time-says').textContent = left >= 0 ? 'to go' : 'over: go on now';
            $('#run-rinse').textContent = step.dataset.kind === 'wait' ? 'rinse ' + hour(this.rinseAt()) : 'until ' + hour(this.now() + left * 1000);
            if (left < 0 && !says) { if (late.textContent !== 'The time is up. Go on to the next step now.') late.textContent = 'The time is up. Go on to the next step now.'; return; }
          } else {
            $('#run-time').textContent = clock((this.now() - this.first) / 1000);
            $('#run-time-says').textContent = 'since the first stroke';
            $('#run-rinse').textContent = 'rinse ' + hour(this.rinseAt());
          }
        }
        if (late.textContent !== (says ?? '')) late.textContent = says ?? '';
      },
    }));
  });

  // It burns or itches: the words are in the page; the message goes when there is a network.
  const burns = $('#burns');
  burns?.querySelector('form').addEventListener('submit', async event => {
    event.preventDefault();
    const said = $('#burns-said');
    const send = async () => {
      const body = new FormData(event.target);
      const answer = await fetch(burns.dataset.burns, { method: 'POST', body });
      if (!answer.ok) throw new Error(String(answer.status));
      location.href = answer.url;
    };
    try { await send(); } catch {
      said.textContent = 'No network. Do not go on. Your colourist is told as soon as there is one; call her if you can.';
      const again = setInterval(async () => { try { await send(); clearInterval(again); } catch { /* still no network */ } }, 3000);
    }
  });
})();
