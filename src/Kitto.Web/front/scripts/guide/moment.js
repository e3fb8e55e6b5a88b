// A moment that is typed is sent with this phone's own offset, and put right where its clock is wrong; a field nobody has touched shows now.
import { $, $$ } from '../dom.js';
import { offBy } from './local.js';
import { localNow, withOffset } from './times.js';

for (const form of $$('form[data-moment]')) {
  const field = form.elements[form.dataset.moment];
  let now = field.dataset.fresh === 'True';
  if (now) field.value = localNow();
  field.addEventListener('input', () => (now = false));
  form.addEventListener('submit', () => {
    // A field nobody has touched means this moment, however long the page was open.
    if (now) field.value = localNow();
    const moment = withOffset(field.value, offBy());
    if (moment) form.elements.moment.value = moment;
  });
}

// "Since when?" is asked of whoever has colour on already.
const start = $('#start');
if (start) {
  const ask = () => {
    $('#colour-since').hidden = start.elements.colour.value !== 'yes';
  };
  start.addEventListener('change', ask);
  ask();
}
