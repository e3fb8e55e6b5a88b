// The clock: lanes as they stand, and one of them moved to another place.
import { $$ } from '../dom.js';

export default {
  // The clock: lanes as they stand, and one of them moved to another place.
  lanes() {
    return $$('.lane-move').map(l => l.dataset.zone);
  },
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
};
