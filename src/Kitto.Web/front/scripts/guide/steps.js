// One step of the guide on the screen, with the drawings that go with it.
import { $, $$ } from '../dom.js';

export default function showStep(steps, at) {
  const step = steps[at];
  steps.forEach(s => s.classList.toggle('shown', s === step));
  const head = $('#guide-head');
  head.hidden = step?.dataset.kind !== 'paint';
  $$('[data-zone]', head).forEach(z =>
    z.classList.toggle('now', z.dataset.zone === step?.dataset.zone && (z.dataset.turn ?? step.dataset.turn) === step.dataset.turn),
  );
  return step;
}
