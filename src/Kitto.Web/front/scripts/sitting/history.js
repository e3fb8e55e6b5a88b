// The whole sitting back and forth: what stands in the form, a step for each pause.
import { $ } from '../dom.js';

export default {
  past: [],
  future: [],
  // The whole sitting back and forth: what stands in the form, a step for each pause.
  fields() {
    return [...$('#sitting').elements].filter(
      f => f.name && !f.name.startsWith('__') && !f.closest('#answer') && !['begunFrom', 'touched', 'look', 'why', 'keep'].includes(f.name),
    );
  },
  form() {
    return JSON.stringify(this.fields().map(f => (f.type === 'checkbox' ? f.checked : f.value)));
  },
  remember() {
    clearTimeout(this.pause);
    this.pause = setTimeout(() => this.step(), 350);
  },
  step() {
    clearTimeout(this.pause);
    const now = this.form();
    if (now !== this.past.at(-1)) {
      this.past.push(now);
      this.future = [];
    }
    $('#undo').disabled = this.past.length < 2;
    $('#redo').disabled = this.future.length === 0;
  },
  undo() {
    this.step();
    if (this.past.length > 1) {
      this.future.push(this.past.pop());
      this.back(this.past.at(-1));
    }
  },
  redo() {
    this.step();
    if (this.future.length > 0) {
      this.past.push(this.future.pop());
      this.back(this.past.at(-1));
    }
  },
  back(text) {
    const values = JSON.parse(text);
    this.fields().forEach((f, i) => {
      if (f.type === 'checkbox') f.checked = values[i];
      else f.value = values[i];
    });
    this.touch();
    this.step();
    this.later();
  },
};
