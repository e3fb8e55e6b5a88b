// Clients: rows as one types.
import { $ } from './dom.js';

export default () => ({
  timer: 0,
  turn: 0,
  // What was typed before the scripts were there counts, too.
  init() {
    const box = $('#find-here');
    if (box.value !== box.defaultValue) this.now();
  },
  later() {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.now(), 120);
  },
  async now() {
    const turn = ++this.turn;
    const text = $('#find-here').value;
    const answer = await fetch('/clients?handler=Rows&find=' + encodeURIComponent(text));
    if (turn !== this.turn || !answer.ok) return;
    $('#found').innerHTML = await answer.text();
    history.replaceState(null, '', text ? '/clients?find=' + encodeURIComponent(text) : '/clients');
  },
});
