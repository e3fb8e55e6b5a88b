// Asking the server what the facts come to, and showing its answer. Nothing is reckoned here.
import Alpine from '@alpinejs/csp';
import { $, $$ } from '../dom.js';
import { morph } from '../morph.js';

// A newer fact does not wait longer than this for the answer to an older one, ms.
const patience = 200;

export default {
  turn: 0,
  retry: 0,
  // Asking: at once, one question at a time; what changed meanwhile is asked as soon as the answer is there, or when it is long in coming.
  // What stands as it was asked is not asked again: a field says that it changed at the key, and once more when it is left.
  question() {
    return String(new URLSearchParams(new FormData($('#sitting'))));
  },
  later() {
    this.remember();
    const question = this.question();
    if (question === this.sent) return;
    if (!this.asking) {
      this.ask(question);
      return;
    }
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.ask(), Math.max(0, this.asked + patience - performance.now()));
    this.stale = true;
  },
  async ask(question = this.question()) {
    const turn = ++this.turn;
    clearTimeout(this.retry);
    clearTimeout(this.waiting);
    clearTimeout(this.wondering);
    this.asking?.abort();
    const asking = new AbortController();
    Object.assign(this, { asking, asked: performance.now(), stale: false, sent: question });
    try {
      const answer = await fetch($('#sitting').dataset.preview, {
        method: 'POST',
        body: new URLSearchParams(this.sent),
        redirect: 'error',
        signal: asking.signal,
      });
      if (!answer.ok) throw new Error(String(answer.status));
      const html = await answer.text();
      if (turn !== this.turn) return;
      this.asking = null;
      this.draw(html);
      this.say('kept as a draft');
      if (this.stale) this.ask();
      else this.wonder();
    } catch {
      if (turn !== this.turn) return;
      this.asking = null;
      this.say('No answer; nothing typed is lost. Trying again.', true);
      this.retry = setTimeout(() => this.ask(), 2000);
    }
  },
  draw(html) {
    const fresh = new DOMParser().parseFromString(html, 'text/html');
    const focused = document.activeElement?.closest?.('.zone[role=button]')?.dataset.zone;
    const answer = $('#answer');
    const inside = answer.contains(document.activeElement) ? document.activeElement.id : '';
    const open = $$('details[open]', answer).map(d => d.className);
    const scrolls = ['.reasons-box', '.clock-box'].map(box => [box, $(box)?.scrollTop ?? 0]);
    // Nothing in it is Alpine's, so it need not watch.
    Alpine.mutateDom(() => {
      for (const place of ['head-drawing', 'last-now', 'answer']) {
        const [now, then] = [document.getElementById(place), fresh.getElementById(place)];
        if (now && then) morph(now, then);
      }
    });
    for (const name of open) if ($(`details.${name}`, answer)) $(`details.${name}`, answer).open = true;
    this.show();
    if (focused) $(`.zone[data-zone=${focused}]`)?.focus();
    if (inside) document.getElementById(inside)?.focus({ preventScroll: true });
    for (const [box, top] of scrolls) if (top > 0 && $(box)) $(box).scrollTop = top;
    this.complain();
    // Who may not sign has no button for it.
    if ($('#sign')) $('#sign').textContent = $('.verdict')?.dataset.sign ?? 'Sign off';
  },
  // Why a number is what it is; and what another developer, order or school would come to, asked for when nothing moves.
  why(about) {
    const field = this.field('why');
    field.value = field.value === about ? '' : about;
    this.ask();
  },
  wonder() {
    if (!$('#what-if')) return;
    this.wondering = setTimeout(async () => {
      const { turn } = this;
      const form = $('#sitting');
      try {
        const answer = await fetch(form.dataset.whatIf, { method: 'POST', body: new FormData(form), redirect: 'error' });
        if (!answer.ok) throw new Error(String(answer.status));
        const html = await answer.text();
        if (turn === this.turn && $('#what-if')) {
          $('#what-if').innerHTML = html;
          $('#what-if').removeAttribute('aria-busy');
        }
      } catch {
        if (turn === this.turn && $('#what-if')) $('#what-if').textContent = 'No answer; open it once more.';
      }
    }, 200);
  },
};
