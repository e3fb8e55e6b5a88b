// What can be pulled on the drawings, by hand or by arrow keys: each moves the same fields that can be typed into.
import { $ } from '../dom.js';
import { border, unwound, upTo, write } from './mix.js';

export default {
  drag: null,
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
      if (button?.dataset.order) {
        this.order([]);
        this.field('painting.order').value = button.dataset.order;
        this.touch();
        this.later();
      }
    });
    answer.addEventListener('pointerdown', event => this.grab(event));
    answer.addEventListener('keydown', event => this.nudge(event));
    answer.addEventListener('change', event => this.byHand(event.target));
    window.addEventListener('pointermove', event => this.drag?.(event));
    window.addEventListener('pointerup', () => {
      this.drag = null;
    });
    window.addEventListener('pointercancel', () => {
      this.drag = null;
    });
  },
  grab(event) {
    const of = name => event.target.closest(name);
    const line = of('#line-handle'),
      other = of('.field-handle'),
      part = of('.part-handle'),
      lane = of('.lane-move');
    if (!(line || other || part || lane)) return;
    event.preventDefault();
    (line || other || part || lane).focus({ preventScroll: true });
    // The drawing comes fresh while it is dragged, so its place is asked for anew.
    const at = (name, e) => {
      const svg = $(name),
        box = svg.getBoundingClientRect();
      return { svg, x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height };
    };
    let last;
    const once = (now, go) => {
      if (now !== last) {
        last = now;
        go(now);
      }
    };
    if (lane) {
      const { zone } = lane.dataset;
      this.drag = e => {
        const { svg, y } = at('svg.clock', e);
        once(Math.floor((y * Number(svg.dataset.height) - Number(svg.dataset.top)) / Number(svg.dataset.lane)), to => this.move(zone, to));
      };
    } else if (other) {
      const svg = of('svg');
      const perPixel = ((Number(svg.dataset.mm) * Number(svg.dataset.width)) / svg.getBoundingClientRect().width) * Number(other.dataset.factor);
      const start = Number(other.getAttribute('aria-valuenow')),
        from = event.clientX;
      const { path } = other.dataset,
        range = [Number(other.getAttribute('aria-valuemin')), Number(other.getAttribute('aria-valuemax'))];
      this.drag = e => this.measure(path, start + (e.clientX - from) * perPixel, range);
    } else if (line) {
      const { zone } = line.dataset;
      const svg = of('svg');
      const perPixel = (Number(svg.dataset.mm) * Number(svg.dataset.width)) / svg.getBoundingClientRect().width;
      const start = Number(line.getAttribute('aria-valuenow')),
        from = event.clientX;
      this.drag = e => this.only(zone, () => this.set(zone, start + (e.clientX - from) * perPixel));
    } else {
      const { parts, strength } = this.mixNow();
      const i = Number(part.dataset.at);
      last = write(parts, strength);
      // Clockwise from the top, as the parts lie.
      this.drag = e => {
        const { svg, x, y } = at('svg.bowl', e);
        const turn = ((Math.atan2(x - 0.5, 0.5 - y) / (2 * Math.PI) + 1) % 1) / Number(svg.dataset.whole);
        once(write(border(parts, i, unwound(parts, i, turn)), strength), mix => this.take(mix));
      };
    }
  },
  set(zone, mm) {
    const path = `zones.${zone}.regrowthMm`;
    this.measure(path, mm, [0, Number(this.field(path).dataset.most)]);
  },
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
    if (at.classList.contains('lane-move'))
      this.move(at.dataset.zone, Number(at.getAttribute('aria-valuenow')) - 1 + (event.key === 'ArrowUp' || event.key === 'ArrowLeft' ? -1 : 1));
    else if (at.dataset.path)
      this.measure(at.dataset.path, Number(at.getAttribute('aria-valuenow')) + by, [
        Number(at.getAttribute('aria-valuemin')),
        Number(at.getAttribute('aria-valuemax')),
      ]);
    else if (at.id === 'line-handle')
      this.only(at.dataset.zone, () => this.set(at.dataset.zone, Number(this.field(`zones.${at.dataset.zone}.regrowthMm`).value) + by));
    else {
      const { parts, strength } = this.mixNow();
      const i = Number(at.dataset.at);
      this.take(write(border(parts, i, upTo(parts, i + 1) + by * 0.1), strength));
    }
  },
};
