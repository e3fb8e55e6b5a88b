// The fields of a sitting: what is typed, ticked or taken over, and the complaints beside it.
import { $, $$ } from '../dom.js';

export default {
  complained: true,
  // Fields. One gesture for every picked zone: the field that moved is copied to its twins.
  field(path) {
    return $(`[name="${path}"]`);
  },
  names() {
    return $$('.zone-fields[data-zone]').map(f => f.dataset.zone);
  },
  changed(event) {
    const field = event.target;
    if (!field.name || field.closest('#answer')) return;
    this.touch();
    const zone = field.closest('.zone-fields')?.dataset.zone;
    if (zone && this.picked.has(zone)) {
      const what = field.name.split('.').pop();
      for (const other of this.picked) {
        const twin = this.field(`zones.${other}.${what}`);
        if (twin === field) continue;
        if (field.type === 'checkbox') twin.checked = field.checked;
        else twin.value = field.value;
      }
    }
    // Another line or service has other shades: a mix made by hand does not go with it.
    if (field.name === 'line' || field.name === 'goal.service') this.field('mix').value = '';
    if (field.name === 'painting.order') this.order(field.value === 'own' ? this.lanes() : []);
    this.later();
  },
  touch() {
    this.field('touched').value = '1';
  },
  take(mix) {
    this.field('mix').value = mix;
    this.touch();
    this.later();
  },
  again() {
    const mix = $('#again')?.dataset.again;
    if (mix) this.take(mix);
  },
  put(values) {
    for (const [path, value] of Object.entries(values)) {
      const field = this.field(path);
      if (field?.type === 'checkbox') field.checked = value === 'true';
      else if (field) field.value = value;
    }
    this.touch();
    this.later();
  },
  // The head of last time, so many weeks grown on: the server says what that comes to.
  async weeks() {
    const box = $('#weeks-on');
    if (!box) return;
    try {
      const answer = await fetch('?handler=WeeksOn&weeks=' + encodeURIComponent(box.value));
      if (!answer.ok) throw new Error(String(answer.status));
      this.put(await answer.json());
    } catch {
      this.say('No answer; nothing typed is lost. Try once more.', true);
    }
  },
  say(words, bad = false) {
    const state = $('#state');
    state.classList.toggle('bad', bad);
    if (state.textContent !== words) state.textContent = words;
  },
  complain() {
    const said = new Map($$('.missing-list li').map(li => [li.dataset.path, li.dataset.says]));
    if (said.size === 0 && !this.complained) return;
    this.complained = said.size > 0;
    for (const place of $$('[data-error]')) {
      const says = said.get(place.dataset.error) ?? '';
      place.textContent = says;
      const field = this.field(place.dataset.error);
      if (says) {
        field?.setAttribute('aria-invalid', 'true');
        field?.setAttribute('aria-describedby', place.id);
      } else {
        field?.removeAttribute('aria-invalid');
        field?.removeAttribute('aria-describedby');
      }
    }
  },
};
