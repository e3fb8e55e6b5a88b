// A moment that is typed is told with this phone's own offset; a field nobody has touched shows this phone's now.
import { $$ } from '../dom.js';
import { localNow, withOffset } from './times.js';

for (const form of $$('form[data-moment]')) {
  const field = form.elements[form.dataset.moment];
  if (field.dataset.fresh === 'True') field.value = localNow();
  form.addEventListener('submit', () => {
    const moment = withOffset(field.value);
    if (moment) form.elements.moment.value = moment;
  });
}
