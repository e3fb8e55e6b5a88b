// The bowl: the mix as it stands, and what is typed beside it.
import { $ } from '../dom.js';
import { typed } from '../typed.js';
import { read, withShade, withShare, write } from './mix.js';

export default {
  mixNow() {
    return read(this.field('mix').value || $('#mix-now').dataset.mix);
  },
  byHand(field) {
    const { parts, strength } = this.mixNow();
    if (field.dataset.share !== undefined) {
      const share = typed(field.value) / 100;
      if (!(share > 0 && share < 1)) {
        field.setAttribute('aria-invalid', 'true');
        this.say('A share is above 0 and below 100 %.', true);
        return;
      }
      this.take(write(withShare(parts, Number(field.dataset.share), share), strength));
    } else if (field.id === 'hand-add' && field.value) this.take(write(withShade(parts, field.value), strength));
    else if (field.id === 'hand-strength') this.take(write(parts, field.value));
  },
};
