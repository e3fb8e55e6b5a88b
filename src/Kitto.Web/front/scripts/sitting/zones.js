// The head: a stroke over it picks every zone it passes; with the brush it paints them.
import { $, $$ } from '../dom.js';
import { step } from '../shell.js';

const kinds = ['regrowthMm', 'greyPercent', 'resistant'];
const other = zone => (zone.startsWith('left') ? zone.replace('left', 'right') : zone.replace('right', 'left'));

export default {
  brush: false,
  // The head: a stroke over it picks every zone it passes; with the brush it paints them.
  all() {
    this.picked = new Set(this.names());
    this.show();
  },
  // What pictures say of zones is typed as if by hand: it can be undone, and corrected.
  measures(buttons) {
    if (buttons.length) this.put(Object.assign({}, ...buttons.map(b => JSON.parse(b.dataset.types))));
  },
  measured(event) {
    this.measures([event.target]);
  },
  // What the lengths are the record knows better than a picture: that is taken by itself.
  allMeasured() {
    this.measures($$('[data-measured]:not([data-measured=lengths])'));
  },
  pick(zone, more) {
    if (!more) this.picked = new Set([zone]);
    else if (this.picked.has(zone) && this.picked.size > 1) this.picked.delete(zone);
    else this.picked.add(zone);
    this.show();
  },
  touchZone(zone, more) {
    if (this.brush) this.paint(zone);
    else this.pick(zone, more);
  },
  stroke(event) {
    const zone = event.target.closest('.zone[role=button]');
    if (!zone || event.button !== 0) return;
    this.touchZone(zone.dataset.zone, event.shiftKey || event.ctrlKey || event.metaKey);
    let last = zone.dataset.zone;
    this.drag = e => {
      const over = document.elementFromPoint(e.clientX, e.clientY)?.closest('.zone[role=button]')?.dataset.zone;
      if (!over || over === last) return;
      last = over;
      if (this.brush) this.paint(over);
      else {
        this.picked.add(over);
        this.show();
      }
    };
  },
  show() {
    const names = this.names().filter(n => this.picked.has(n));
    $$('.zone-fields').forEach(f => f.classList.toggle('shown', this.brush ? f.id === 'brush-fields' : f.dataset.zone === names[0]));
    $$('.zone[role=button]').forEach(z => z.setAttribute('aria-pressed', this.picked.has(z.dataset.zone)));
    const says = names.map(n => $('legend', $(`.zone-fields[data-zone=${n}]`)).textContent);
    const look = this.field('look');
    if (names[0] && look.value !== names[0]) {
      look.value = names[0];
      this.later();
    }
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
  leave() {
    if (this.brush) this.brushing();
    else if (this.field('why').value) this.why(this.field('why').value);
  },
  paint(zone) {
    for (const what of kinds) {
      const value = $('#brush-' + what).value.trim();
      const field = this.field(`zones.${zone}.${what}`);
      if (value && what === 'resistant') field.checked = value === 'true';
      else if (value) field.value = value;
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
        if (a.type === 'checkbox') b.checked = a.checked;
        else b.value = a.value;
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
      Enter: () => this.touchZone(name, event.shiftKey),
      ' ': () => this.touchZone(name, event.shiftKey),
      ArrowUp: () => this.only(name, () => step(field('regrowthMm'), 1)),
      ArrowDown: () => this.only(name, () => step(field('regrowthMm'), -1)),
      '+': () => this.only(name, () => step(field('greyPercent'), 1)),
      '-': () => this.only(name, () => step(field('greyPercent'), -1)),
      r: () => this.only(name, () => field('resistant').click()),
      x: () => this.only(name, () => field('include').click()),
    }[event.key];
    if (act) {
      event.preventDefault();
      event.stopPropagation();
      act();
    }
  },
  only(name, change) {
    if (!this.picked.has(name)) this.pick(name, false);
    change();
  },
};
