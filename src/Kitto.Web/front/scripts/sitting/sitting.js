// The sitting: a fact is moved, it goes to the server, and the drawings and sentences come back.
import { $ } from '../dom.js';
import asking from './asking.js';
import bowl from './bowl.js';
import fields from './fields.js';
import handles from './handles.js';
import history from './history.js';
import lanes from './lanes.js';
import zones from './zones.js';

export default () => ({
  ...fields,
  ...history,
  ...asking,
  ...zones,
  ...lanes,
  ...bowl,
  ...handles,
  picked: new Set(['frontHairline']),
  init() {
    this.show();
    this.past = [this.form()];
    document.addEventListener('keydown', event => this.shortcut(event));
    window.addEventListener('online', () => this.ask());
    this.listen();
  },
  shortcut(event) {
    const key = event.key.toLowerCase();
    const command = event.ctrlKey || event.metaKey;
    if (command && key === 'z') {
      event.preventDefault();
      if (event.shiftKey) this.redo();
      else this.undo();
      return;
    }
    if (command && key === 'y') {
      event.preventDefault();
      this.redo();
      return;
    }
    if (command && key === 'enter') {
      event.preventDefault();
      if ($('#sign')) $('#sitting').requestSubmit($('#sign'));
      return;
    }
    if (command || event.altKey || event.target.closest('input, select, textarea, dialog')) return;
    const act = {
      l: () => this.again(),
      b: () => this.brushing(),
      m: () => this.mirror(),
      a: () => this.all(),
      w: () => this.weeks(),
      p: () => this.allMeasured(),
      k: () => $('#keep')?.click(),
      Escape: () => this.leave(),
    }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
});
