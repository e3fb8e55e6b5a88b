// Hands on the four drawings: zones, the line on the strand, parts in the bowl, lanes of the clock. Each moves the same fields that can be typed into.
(() => {
  'use strict';
  const { $, $$, step } = window.kitto;
  const kinds = ['regrowthMm', 'greyPercent', 'resistant'];
  const other = zone => (zone.startsWith('left') ? zone.replace('left', 'right') : zone.replace('right', 'left'));

  window.kitto.gestures = {
    drag: null,
    brush: false,
    listen() {
      const head = $('.head-box');
      head.addEventListener('pointerdown', event => this.stroke(event));
      head.addEventListener('click', event => {
        const zone = event.target.closest('.zone[role=button]');
        // A pointer has done it already; a click without one comes from assistive technology.
        if (zone && event.detail === 0) this.touchZone(zone.dataset.zone, event.shiftKey);
      });
      head.addEventListener('keydown', event => this.key(event));
      // The drawings of the answer come fresh with every answer, so they are listened to from here, and a drag goes on over a new drawing.
      const answer = $('#answer');
      answer.addEventListener('click', event => {
        const button = event.target.closest('button');
        if (button?.dataset.mix !== undefined) this.take(button.dataset.mix);
        if (button?.dataset.why !== undefined) this.why(button.dataset.why);
        if (button?.dataset.order) { this.order([]); this.field('painting.order').value = button.dataset.order; this.touch(); this.later(); }
      });
      answer.addEventListener('pointerdown', event => this.grab(event));
      answer.addEventListener('keydown', event => this.nudge(event));
      answer.addEventListener('change', event => this.byHand(event.target));
      window.addEventListener('pointermove', event => this.drag?.(event));
      window.addEventListener('pointerup', () => { this.drag = null; });
      window.addEventListener('pointercancel', () => { this.drag = null; });
    },

    // The head: a stroke over it picks every zone it passes; with the brush it paints them.
    all() { this.picked = new Set(this.names()); this.show(); },
    pick(zone, more) {
      if (!more) this.picked = new Set([zone]);
      else if (this.picked.has(zone) && this.picked.size > 1) this.picked.delete(zone);
      else this.picked.add(zone);
      this.show();
    },
    touchZone(zone, more) { if (this.brush) this.paint(zone); else this.pick(zone, more); },
    stroke(event) {
      const zone = event.target.closest('.zone[role=button]');
      if (!zone || event.button !== 0) return;
      this.touchZone(zone.dataset.zone, event.shiftKey || event.ctrlKey || event.metaKey);
      let last = zone.dataset.zone;
      this.drag = e => {
        const over = document.elementFromPoint(e.clientX, e.clientY)?.closest('.zone[role=button]')?.dataset.zone;
        if (!over || over === last) return;
        last = over;
        if (this.brush) this.paint(over); else { this.picked.add(over); this.show(); }
      };
    },
    show() {
      const names = this.names().filter(n => this.picked.has(n));
      $$('.zone-fields').forEach(f => f.classList.toggle('shown', this.brush ? f.id === 'brush-fields' : f.dataset.zone === names[0]));
      $$('.zone[role=button]').forEach(z => z.setAttribute('aria-pressed', this.picked.has(z.dataset.zone)));
      const says = names.map(n => $('legend', $(`.zone-fields[data-zone=${n}]`)).textContent);
      const look = this.field('look');
      if (names[0] && look.value !== names[0]) { look.value = names[0]; this.later(); }
      const words = this.brush ? 'Brush in hand' : says.length === 9 ? 'Whole head' : says.join(', ').replace(/^./, c => c.toUpperCase());
      if ($('#picked').textContent !== words) $('#picked').textContent = words;
    },
    brushing() {
      this.brush = !this.brush;
      $('#brush').setAttribute('aria-pressed', this.brush);
      $('.head-box').classList.toggle('brushing', this.brush);
      if (this.brush) {
        // The brush is dipped in the zone that is picked.
        const from = this.names().find(n => this.picked.has(n));
        $('#brush-regrowthMm').value = this.field(`zones.${from}.regrowthMm`).value;
        $('#brush-greyPercent').value = this.field(`zones.${from}.greyPercent`).value;
        $('#brush-resistant').value = String(this.field(`zones.${from}.resistant`).checked);
      }
      this.show();
    },
    leave() { if (this.brush) this.brushing(); else if (this.field('why').value) this.why(this.field('why').value); },
    paint(zone) {
      for (const what of kinds) {
        const value = $('#brush-' + what).value.trim();
        const field = this.field(`zones.${zone}.${what}`);
        if (value && what === 'resistant') field.checked = value === 'true'; else if (value) field.value = value;
      }
      this.picked = new Set([zone]);
      this.touch();
      this.show();
      this.later();
    },
    // What is picked on one side goes to the other; where neither or both are, her left goes to her right.
    mirror() {
      const sides = this.names().filter(n => /^(left|right)/.test(n));
      const chosen = sides.filter(n => this.picked.has(n) && !this.picked.has(other(n)));
      for (const from of chosen.length > 0 ? chosen : sides.filter(n => n.startsWith('left'))) {
        for (const what of [...kinds, 'texture', 'include']) {
          const [a, b] = [this.field(`zones.${from}.${what}`), this.field(`zones.${other(from)}.${what}`)];
          if (a.type === 'checkbox') b.checked = a.checked; else b.value = a.value;
        }
      }
      this.touch();
      this.later();
    },
    key(event) {
      const zone = event.target.closest('.zone[role=button]');
      if (!zone || event.ctrlKey || event.metaKey || event.altKey) return;
      const name = zone.dataset.zone;
      const field = what => this.field(`zones.${name}.${what}`);
      const act = {
        Enter: () => this.touchZone(name, event.shiftKey), ' ': () => this.touchZone(name, event.shiftKey),
        ArrowUp: () => this.only(name, () => step(field('regrowthMm'), 1)), ArrowDown: () => this.only(name, () => step(field('regrowthMm'), -1)),
        '+': () => this.only(name, () => step(field('greyPercent'), 1)), '-': () => this.only(name, () => step(field('greyPercent'), -1)),
        r: () => this.only(name, () => field('resistant').click()), x: () => this.only(name, () => field('include').click()),
      }[event.key];
      if (act) { event.preventDefault(); event.stopPropagation(); act(); }
    },
    only(name, change) { if (!this.picked.has(name)) this.pick(name, false); change(); },

    // The clock: lanes as they stand, and one of them moved to another place.
    lanes() { return $$('.lane-move').map(l => l.dataset.zone); },
    order(zones) {
      this.field('painting.sequence').value = zones.join(', ');
      if (zones.length) this.field('painting.order').value = 'own';
    },
    move(zone, to) {
      const zones = this.lanes();
      const from = zones.indexOf(zone);
      const at = Math.min(zones.length - 1, Math.max(0, to));
      if (from < 0 || at === from) return;
      zones.splice(at, 0, ...zones.splice(from, 1));
      this.order(zones);
      this.touch();
      this.later();
    },

    // The bowl: shares of the parts, and a strength of its own behind an @.
    parts() { return (this.field('mix').value || $('#mix-now').dataset.mix).split(' ').filter(p => !p.startsWith('@')).map(p => p.split(':')).map(([code, share]) => ({ code, share: Number(share) })); },
    strength() { return (this.field('mix').value || $('#mix-now').dataset.mix).split(' ').find(p => p.startsWith('@')) ?? ''; },
    write(parts, strength = this.strength()) { return [...parts.filter(p => p.share > .004).map(p => `${p.code}:${Number(p.share.toFixed(3))}`), strength].join(' ').trim(); },
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
    byHand(field) {
      const parts = this.parts();
      if (field.dataset.share !== undefined) {
        // The others keep their proportion in what is left.
        const i = Number(field.dataset.share);
        const share = Number(field.value.replace(',', '.')) / 100;
        if (!(share > 0 && share < 1)) { field.setAttribute('aria-invalid', 'true'); this.say('A share is above 0 and below 100 %.', true); return; }
        const rest = 1 - parts[i].share;
        this.take(this.write(parts.map((p, n) => ({ ...p, share: n === i ? share : p.share * (1 - share) / rest }))));
      } else if (field.id === 'hand-add' && field.value) {
        const largest = parts.reduce((a, b) => (b.share > a.share ? b : a));
        const given = Math.min(.1, largest.share / 2);
        largest.share -= given;
        this.take(this.write([...parts, { code: field.value, share: given }]));
      } else if (field.id === 'hand-strength') this.take(this.write(parts, field.value));
    },

    grab(event) {
      const of = name => event.target.closest(name);
      const line = of('#line-handle'), other = of('.field-handle'), part = of('.part-handle'), lane = of('.lane-move');
      if (!(line || other || part || lane)) return;
      event.preventDefault();
      (line || other || part || lane).focus({ preventScroll: true });
      // The drawing comes fresh while it is dragged, so its place is asked for anew.
      const at = (name, e) => { const svg = $(name), box = svg.getBoundingClientRect(); return { svg, x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height }; };
      let last;
      const once = (now, go) => { if (now !== last) { last = now; go(now); } };
      if (lane) {
        const { zone } = lane.dataset;
        this.drag = e => { const { svg, y } = at('svg.clock', e); once(Math.floor((y * Number(svg.dataset.height) - Number(svg.dataset.top)) / Number(svg.dataset.lane)), to => this.move(zone, to)); };
      } else if (other) {
        const svg = of('svg');
        const perPixel = Number(svg.dataset.mm) * Number(svg.dataset.width) / svg.getBoundingClientRect().width * Number(other.dataset.factor);
        const start = Number(other.getAttribute('aria-valuenow')), from = event.clientX;
        const { path } = other.dataset, range = [Number(other.getAttribute('aria-valuemin')), Number(other.getAttribute('aria-valuemax'))];
        this.drag = e => this.measure(path, start + (e.clientX - from) * perPixel, range);
      } else if (line) {
        const { zone } = line.dataset;
        const svg = of('svg');
        const perPixel = Number(svg.dataset.mm) * Number(svg.dataset.width) / svg.getBoundingClientRect().width;
        const start = Number(line.getAttribute('aria-valuenow')), from = event.clientX;
        this.drag = e => this.only(zone, () => this.set(zone, start + (e.clientX - from) * perPixel));
      } else {
        const parts = this.parts();
        const i = Number(part.dataset.at);
        last = this.write(parts);
        // Clockwise from the top, as the parts lie.
        this.drag = e => {
          const { svg, x, y } = at('svg.bowl', e);
          const turn = ((Math.atan2(x - .5, .5 - y) / (2 * Math.PI) + 1) % 1) / Number(svg.dataset.whole);
          once(this.border(parts, i, this.unwound(parts, i, turn)), mix => this.take(mix));
        };
      }
    },
    // A border that is pulled over the top goes to the end it came nearest to, not round.
    unwound(parts, i, turn) {
      const before = parts.slice(0, i).reduce((sum, p) => sum + p.share, 0);
      const after = before + parts[i].share + parts[i + 1].share;
      if (turn >= before && turn <= after) return turn;
      const away = (a, b) => Math.min(Math.abs(a - b), 1 - Math.abs(a - b));
      return away(turn, before) < away(turn, after) ? before : after;
    },
    set(zone, mm) { this.measure(`zones.${zone}.regrowthMm`, mm, [0, 300]); },
    measure(path, mm, [least, most]) {
      const field = this.field(path);
      const value = String(Math.min(most, Math.max(least, Math.round(mm))));
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
      else if (at.dataset.path) this.measure(at.dataset.path, Number(at.getAttribute('aria-valuenow')) + by, [Number(at.getAttribute('aria-valuemin')), Number(at.getAttribute('aria-valuemax'))]);
      else if (at.id === 'line-handle') this.only(at.dataset.zone, () => this.set(at.dataset.zone, Number(this.field(`zones.${at.dataset.zone}.regrowthMm`).value) + by));
      else {
        const parts = this.parts();
        const i = Number(at.dataset.at);
        this.take(this.border(parts, i, parts.slice(0, i + 1).reduce((sum, p) => sum + p.share, 0) + by * .1));
      }
    },
  };
})();
