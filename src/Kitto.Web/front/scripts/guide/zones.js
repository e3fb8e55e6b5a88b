// In the report a place that is tapped on the head opens what is asked of it.
import { $, $$ } from '../dom.js';

const box = $('#by-zone');
const mark = () => {
  for (const zone of $$('.head [data-zone]', box)) {
    const said = $(`.zone-said[data-zone=${zone.dataset.zone}]`, box);
    zone.classList.toggle('now', !!said && (said.open || $$('select', said).some(s => s.value)));
  }
};
if (box) {
  box.addEventListener('click', event => {
    const zone = event.target.closest('.head [data-zone]');
    const said = zone && $(`.zone-said[data-zone=${zone.dataset.zone}]`, box);
    if (!said) return;
    said.open = true;
    said.scrollIntoView({ block: 'nearest' });
    $('select', said).focus();
  });
  box.addEventListener('toggle', mark, true);
  box.addEventListener('change', mark);
  mark();
}
