// The questions: none and something exclude each other; more lines as they are needed.
import { $, $$ } from './dom.js';

export default () => ({
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
      if (row && event.target.value) {
        const none = $('[name="none.putOn"]', this.$el);
        none.checked = false;
      }
    });
    $('[data-more-rows]', this.$el).addEventListener('click', event => {
      const next = $('.put[hidden]', this.$el);
      if (next) {
        next.hidden = false;
        $('select', next).focus();
      }
      event.target.hidden = !$('.put[hidden]', this.$el);
    });
  },
});
