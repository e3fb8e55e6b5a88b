// The sitting: a fact is moved, it goes to the server, and the drawings and sentences come back. Nothing is reckoned here.
(() => {
  'use strict';
  const { $, $$, gestures } = window.kitto;
  // A newer fact does not wait longer than this for the answer to an older one.
  const patience = 200;

  document.addEventListener('alpine:init', () => Alpine.data('sitting', () => ({
    ...gestures,
    picked: new Set(['frontHairline']),
    turn: 0,
    retry: 0,
    complained: true,
    past: [],
    future: [],
    init() {
      this.show();
      this.past = [this.form()];
      document.addEventListener('keydown', event => this.shortcut(event));
      window.addEventListener('online', () => this.ask());
      this.listen();
    },
    shortcut(event) {
      const key = event.key.toLowerCase();
      const command = event.ctrlKey || event.metaKey;
      if (command && key === 'z') { event.preventDefault(); if (event.shiftKey) this.redo(); else this.undo(); return; }
      if (command && key === 'y') { event.preventDefault(); this.redo(); return; }
      if (command && key === 'enter') { event.preventDefault(); $('#sitting').requestSubmit($('#sign')); return; }
      if (command || event.altKey || event.target.closest('input, select, textarea, dialog')) return;
      const act = { l: () => this.again(), b: () => this.brushing(), m: () => this.mirror(), a: () => this.all(), w: () => this.weeks(), k: () => $('#keep').click(), Escape: () => this.leave() }[event.key];
      if (act) { event.preventDefault(); act(); }
    },

    // Fields. One gesture for every picked zone: the field that moved is copied to its twins.
    field(path) { return $(`[name="${path}"]`); },
    names() { return $$('.zone-fields[data-zone]').map(f => f.dataset.zone); },
    changed(event) {
      const field = event.target;
      if (!field.name || field.closest('#answer')) return;
      this.touch();
      const zone = field.closest('.zone-fields')?.dataset.zone;
      if (zone && this.picked.has(zone)) {
        const what = field.name.split('.').pop();
        for (const other of this.picked) {
          const twin = this.field(`zones.${other}.${what}`);
          if (twin === field) continue;
          if (field.type === 'checkbox') twin.checked = field.checked; else twin.value = field.value;
        }
      }
      // Another line or service has other shades: a mix made by hand does not go with it.
      if (field.name === 'line' || field.name === 'goal.service') this.field('mix').value = '';
      if (field.name === 'painting.order') this.order(field.value === 'own' ? this.lanes() : []);
      this.later();
    },
    touch() { this.field('touched').value = '1'; },
    take(mix) { this.field('mix').value = mix; this.touch(); this.later(); },
    again() { const mix = $('#again')?.dataset.again; if (mix) this.take(mix); },
    put(values) {
      for (const [path, value] of Object.entries(values)) {
        const field = this.field(path);
        if (field?.type === 'checkbox') field.checked = value === 'true'; else if (field) field.value = value;
      }
      this.touch();
      this.later();
    },
    // The head of last time, so many weeks grown on: the server says what that comes to.
    async weeks() {
      const box = $('#weeks-on');
      if (!box) return;
      try {
        const answer = await fetch('?handler=WeeksOn&weeks=' + encodeURIComponent(box.value));
        if (!answer.ok) throw new Error(String(answer.status));
        this.put(await answer.json());
      } catch { this.say('No answer; nothing typed is lost. Try once more.', true); }
    },

    // The whole sitting back and forth: what stands in the form, a step for each pause.
    fields() { return [...$('#sitting').elements].filter(f => f.name && !f.name.startsWith('__') && !f.closest('#answer') && !['begunFrom', 'touched', 'look', 'why', 'keep'].includes(f.name)); },
    form() { return JSON.stringify(this.fields().map(f => (f.type === 'checkbox' ? f.checked : f.value))); },
    remember() { clearTimeout(this.pause); this.pause = setTimeout(() => this.step(), 350); },
    step() {
      clearTimeout(this.pause);
      const now = this.form();
      if (now !== this.past.at(-1)) { this.past.push(now); this.future = []; }
      $('#undo').disabled = this.past.length < 2;
      $('#redo').disabled = this.future.length === 0;
    },
    undo() { this.step(); if (this.past.length > 1) { this.future.push(this.past.pop()); this.back(this.past.at(-1)); } },
    redo() { this.step(); if (this.future.length > 0) { this.past.push(this.future.pop()); this.back(this.past.at(-1)); } },
    back(text) {
      const values = JSON.parse(text);
      this.fields().forEach((f, i) => { if (f.type === 'checkbox') f.checked = values[i]; else f.value = values[i]; });
      this.touch();
      this.step();
      this.later();
    },

    // Asking: at once, one question at a time; what changed meanwhile is asked as soon as the answer is there, or when it is long in coming.
    // What stands as it was asked is not asked again: a field says that it changed at the key, and once more when it is left.
    question() { return String(new URLSearchParams(new FormData($('#sitting')))); },
    later() {
      this.remember();
      const question = this.question();
      if (question === this.sent) return;
      if (!this.asking) { this.ask(question); return; }
      clearTimeout(this.waiting);
      this.waiting = setTimeout(() => this.ask(), Math.max(0, this.asked + patience - performance.now()));
      this.stale = true;
    },
    async ask(question = this.question()) {
      const turn = ++this.turn;
      clearTimeout(this.retry);
      clearTimeout(this.waiting);
      clearTimeout(this.wondering);
      this.asking?.abort();
      const asking = new AbortController();
      Object.assign(this, { asking, asked: performance.now(), stale: false, sent: question });
      try {
        const answer = await fetch($('#sitting').dataset.preview, { method: 'POST', body: new URLSearchParams(this.sent), redirect: 'error', signal: asking.signal });
        if (!answer.ok) throw new Error(String(answer.status));
        const html = await answer.text();
        if (turn !== this.turn) return;
        this.asking = null;
        this.draw(html);
        this.say('kept as a draft');
        if (this.stale) this.ask(); else this.wonder();
      } catch {
        if (turn !== this.turn) return;
        this.asking = null;
        this.say('No answer; nothing typed is lost. Trying again.', true);
        this.retry = setTimeout(() => this.ask(), 2000);
      }
    },
    draw(html) {
      const fresh = new DOMParser().parseFromString(html, 'text/html');
      const focused = document.activeElement?.closest?.('.zone[role=button]')?.dataset.zone;
      const answer = $('#answer');
      const inside = answer.contains(document.activeElement) ? document.activeElement.id : '';
      const open = $$('details[open]', answer).map(d => d.className);
      const scrolls = ['.reasons-box', '.clock-box'].map(box => [box, $(box)?.scrollTop ?? 0]);
      // Nothing in it is Alpine's, so it need not watch.
      window.Alpine.mutateDom(() => {
        for (const place of ['head-drawing', 'last-now', 'answer']) {
          const [now, then] = [document.getElementById(place), fresh.getElementById(place)];
          if (now && then) this.settle(now, then);
        }
      });
      for (const name of open) if ($(`details.${name}`, answer)) $(`details.${name}`, answer).open = true;
      this.show();
      if (focused) $(`.zone[data-zone=${focused}]`)?.focus();
      if (inside) document.getElementById(inside)?.focus({ preventScroll: true });
      for (const [box, top] of scrolls) if (top > 0 && $(box)) $(box).scrollTop = top;
      this.complain();
      $('#sign').textContent = $('.verdict')?.dataset.sign ?? 'Sign off';
    },
    // What stands is made like what came, node by node: what did not move is not drawn, laid out or focused again.
    settle(now, fresh) {
      if (now.isEqualNode(fresh)) return;
      if (now.nodeType !== Node.ELEMENT_NODE && now.nodeType === fresh.nodeType) { now.data = fresh.data; return; }
      if (now.nodeName !== fresh.nodeName || now.getAttribute?.('class') !== fresh.getAttribute?.('class')) { now.replaceWith(fresh); return; }
      // What other ways come to is asked for by itself; until then it stays, marked as old.
      if (now.id === 'what-if') { now.setAttribute('aria-busy', 'true'); return; }
      for (const name of now.getAttributeNames()) if (!fresh.hasAttribute(name) && name !== 'open') now.removeAttribute(name);
      for (const name of fresh.getAttributeNames()) { const value = fresh.getAttribute(name); if (now.getAttribute(name) !== value) now.setAttribute(name, value); }
      const [old, next] = [[...now.childNodes], [...fresh.childNodes]];
      // Where more or fewer came, what is the same at either end stays as it is.
      let from = 0, off = 0;
      if (old.length !== next.length) {
        const least = Math.min(old.length, next.length);
        while (from < least && old[from].isEqualNode(next[from])) from++;
        while (off < least - from && old.at(-1 - off).isEqualNode(next.at(-1 - off))) off++;
      }
      const end = old[old.length - off] ?? null;
      for (let i = from; i < Math.max(old.length, next.length) - off; i++) {
        if (i >= next.length - off) old[i].remove();
        else if (i >= old.length - off) now.insertBefore(next[i], end);
        else this.settle(old[i], next[i]);
      }
      if (now.localName === 'input' || now.localName === 'select') now.value = fresh.value;
    },
    say(words, bad = false) {
      const state = $('#state');
      state.classList.toggle('bad', bad);
      if (state.textContent !== words) state.textContent = words;
    },
    complain() {
      const said = new Map($$('.missing-list li').map(li => [li.dataset.path, li.dataset.says]));
      if (said.size === 0 && !this.complained) return;
      this.complained = said.size > 0;
      for (const place of $$('[data-error]')) {
        const says = said.get(place.dataset.error) ?? '';
        place.textContent = says;
        const field = this.field(place.dataset.error);
        if (says) { field?.setAttribute('aria-invalid', 'true'); field?.setAttribute('aria-describedby', place.id); } else { field?.removeAttribute('aria-invalid'); field?.removeAttribute('aria-describedby'); }
      }
    },

    // Why a number is what it is; and what another developer, order or school would come to, asked for when nothing moves.
    why(about) { const field = this.field('why'); field.value = field.value === about ? '' : about; this.ask(); },
    wonder() {
      if (!$('#what-if')) return;
      this.wondering = setTimeout(async () => {
        const { turn } = this;
        const form = $('#sitting');
        try {
          const answer = await fetch(form.dataset.whatIf, { method: 'POST', body: new FormData(form), redirect: 'error' });
          if (!answer.ok) throw new Error(String(answer.status));
          const html = await answer.text();
          if (turn === this.turn && $('#what-if')) { $('#what-if').innerHTML = html; $('#what-if').removeAttribute('aria-busy'); }
        } catch { if (turn === this.turn && $('#what-if')) $('#what-if').textContent = 'No answer; open it once more.'; }
      }, 200);
    },
  })));
})();
