// A moment that is typed is sent with this phone's own offset, and put right where its clock is wrong; a field nobody has touched shows now.
import { $, $$ } from '../dom.js';
import { offBy } from './local.js';
import { localNow, withOffset } from './times.js';

for (const form of $$('form[data-moment]')) {
  const field = form.elements[form.dataset.moment];
  if (field.dataset.fresh === 'True') field.value = localNow();
  form.addEventListener('submit', () => {
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
