// The guide's run: one step a screen. What was done when is kept here until the server has it; the server says when to rinse,
// and another device goes on from there. Without a network it goes on by itself.
import { $, $$ } from '../dom.js';
import { forgetBegun, memory } from './begun.js';
import { awake, ring } from './felt.js';
import { newId } from './ids.js';
import showStep from './steps.js';
import { speak, spokenStep } from './tools.js';
import { put, say } from './words.js';
import { betterShift, clock, hour, rinseAt, secondsLeft } from './times.js';

export default () => ({
  at: 1,
  unsent: [],
  begun: {},
  first: 0,
  rinse: 0,
  says: '',
  shift: 0,
  took: 0,
  floor: 0,
  known: false,
  started: false,
  ended: false,
  init() {
    // Each run has a memory of its own: what was left of an earlier one says nothing of this.
    const started = JSON.parse(this.$el.dataset.started ?? 'null');
    this.kit = this.$el.dataset.run;
    this.key = memory(this.kit, started ? started.id : this.$el.dataset.began);
    try {
      Object.assign(this, JSON.parse(localStorage.getItem(this.key) ?? '{}'));
    } catch {
      /* a damaged note begins again */
    }
    // A phone that remembers nothing of a run that was begun asks first where it stands: until then there is nothing to go on from.
    this.wait(!started && !localStorage.getItem(this.key));
    this.floor = Math.max(this.floor, Number(this.$el.dataset.began));
    // Begun without a network: that is the first thing to be told.
    if (started && !this.started) {
      this.started = true;
      this.unsent.unshift({ id: started.id ?? newId(), word: 'start', step: 0, raw: started.raw });
      this.keep();
    }
    awake();
    $('#far-view').hidden = false;
    $('#run-end').addEventListener('submit', event => {
      event.preventDefault();
      this.end();
    });
    this.tellWorker(false);
    this.steps = $$('.step[data-step]', this.$el);
    this.at = Math.min(Math.max(1, this.at), this.steps.length + 1);
    this.show(false);
    setInterval(() => this.tick(), 500);
    setInterval(() => {
      if (!document.hidden) this.sync();
    }, 4000);
    document.addEventListener('visibilitychange', () => {
      if (!document.hidden) this.sync();
    });
    window.addEventListener('online', () => this.sync());
    if (location.hash === '#report' && $('.report .error:not(:empty)')) {
      this.at = this.steps.length + 1;
      this.show(false);
    } else {
      // The first step is begun with the run, unless another device is further on.
      this.sync().then(() => {
        if (this.at === 1 && Object.keys(this.begun).length === 0) this.begin();
      });
    }
  },
  // While colour is on the head the worker keeps this page, whatever becomes of its link.
  tellWorker(over) {
    navigator.serviceWorker?.ready.then(r => r.active?.postMessage({ running: location.pathname, over }));
  },
  now() {
    return Date.now() + this.shift;
  },
  keep() {
    const { at, unsent, begun, first, rinse, says, shift, took, floor, started, ended } = this;
    try {
      localStorage.setItem(this.key, JSON.stringify({ at, unsent, begun, first, rinse, says, shift, took, floor, started, ended }));
    } catch {
      /* private window: it runs without memory */
    }
  },
  // Kept by this phone's own clock; it is put on the server's when it is sent, however wrong this one is, and in the order in which it was tapped.
  tell(word, step) {
    this.unsent.push({ id: newId(), word, step, raw: Date.now() });
    return Math.round(this.now());
  },
  line(said) {
    this.floor = Math.max(Math.round(said.raw + this.shift), this.floor + 1);
    return `${said.id} ${said.word} ${said.step} ${this.floor}`;
  },
  begin() {
    const at = this.tell('step', this.at);
    this.begun[this.at] = at;
    if (this.step()?.dataset.kind === 'paint' && !this.first) this.first = at;
    this.rinse = 0;
    this.keep();
    this.sync();
  },
  async sync() {
    if (this.busy) return;
    this.busy = true;
    // The first answer tells what this phone's clock is off by; only then what was tapped is put on the server's.
    const sending = this.known ? this.unsent.length : 0;
    const asked = Date.now();
    try {
      const form = $('#run-steps');
      const body = new FormData(form);
      if (sending)
        body.set(
          'steps',
          this.unsent
            .slice(0, sending)
            .map(said => this.line(said))
            .join('\n'),
        );
      const answer = await fetch(form.action, sending ? { method: 'POST', body } : undefined);
      if (answer.status === 410) {
        // A link that was closed meanwhile: what is on the head is seen through all the same.
        if (this.first && !this.past()) return;
        forgetBegun(this.kit);
        location.reload();
        return;
      }
      if (!answer.ok) return;
      const stand = await answer.json();
      this.unsent.splice(0, sending);
      // Stopped meanwhile, or begun anew elsewhere: the page itself says so. What is over after the last rinse stays to be read.
      if (this.unsent.length === 0 && stand.part === 'doing' && this.started) {
        // Now the server knows that it was begun: its own page goes on from here, with what this one remembers.
        this.keep();
        location.reload();
        return;
      }
      if (this.unsent.length === 0 && stand.part !== 'doing' && (stand.part !== 'reading' || !this.past() || this.ended)) {
        this.keep();
        forgetBegun(this.kit);
        location.reload();
        return;
      }
      Object.assign(this, betterShift(this, stand.now, asked, Date.now()));
      this.known = true;
      if (this.unsent.length === 0) {
        const before = this.at;
        Object.assign(this, { begun: stand.begun, first: stand.first ?? 0, rinse: stand.rinse ?? 0, says: stand.says ?? '' });
        this.lanes = stand.lanes;
        const reporting = before > this.steps.length;
        if (Object.keys(stand.begun).length > 0 && stand.at !== before && !reporting) {
          this.at = Math.min(stand.at, this.steps.length + 1);
          this.show(true, true);
        }
      }
      this.keep();
      this.tick();
    } catch {
      /* no network: it is tried again */
    } finally {
      this.busy = false;
      this.wait(false);
    }
    if (this.unsent.length > 0 && navigator.onLine) setTimeout(() => this.sync(), 300);
  },
  /** Whether steps can be gone on from. */
  wait(on) {
    for (const button of ['#run-next', '#run-back']) $(button).disabled = on;
  },
  step() {
    return this.steps[this.at - 1];
  },
  past() {
    const rinses = this.steps.filter(s => s.dataset.kind === 'rinse');
    return this.at > Number(rinses.at(-1)?.dataset.step ?? this.steps.length);
  },
  next() {
    const left = this.left();
    if (left > 0 && !$('#run-next').dataset.sure) {
      $('#run-next').dataset.sure = '1';
      this.tick();
      return;
    }
    if (this.at <= this.steps.length) this.at += 1;
    if (this.past()) this.tellWorker(true);
    this.show(true);
    this.begin();
  },
  // A step tapped by mistake is taken back; the one before it goes on as it was begun.
  back() {
    if (this.at <= 1) return;
    if (this.begun[this.at]) {
      this.tell('back', this.at);
      delete this.begun[this.at];
    }
    if (this.step()?.dataset.kind === 'paint' && !this.steps.some(s => s.dataset.kind === 'paint' && this.begun[s.dataset.step])) this.first = 0;
    this.at -= 1;
    this.rinse = 0;
    if (!this.begun[this.at]) this.begun[this.at] = this.tell('step', this.at);
    this.show(true);
    this.sync();
  },
  // It is over: rinsed off, or nothing was put on. Told like every step, so that it waits for a network as they do.
  end() {
    this.tell('end', 0);
    this.ended = true;
    this.tellWorker(true);
    this.show(false);
    this.sync();
  },
  show(moved) {
    $('#run-ended').hidden = !this.ended;
    for (const part of $$('.step, .guide-tools, #guide-head, #run-clock, #run-acts, #run-what-if, #run-stop, #run-whole, .report', this.$root.parentNode)) {
      part.classList.toggle('is-over', this.ended);
    }
    const onHead = !!this.first && !this.past();
    for (const words of $$('[data-on-head]', this.$root)) words.hidden = (words.dataset.onHead === 'true') !== onHead;
    const step = showStep(this.steps, this.at - 1);
    for (const part of $$('.guide-tools, #run-what-if, #run-stop')) part.hidden = !step;
    $('.report').classList.toggle('shown', !step);
    const button = $('#run-next');
    delete button.dataset.sure;
    const after = this.steps[this.at];
    button.hidden = !step;
    button.textContent = after ? say('Done, next: {0}', $('h1', after).textContent.toLowerCase()) : say('Done, on to the report');
    $('#run-back').hidden = this.at === 1;
    $('#bar-aside').textContent = step ? say('step {0} of {1}', this.at, this.steps.length + 1) : say('report');
    this.keep();
    this.tick();
    if (moved) {
      // At once: a page that still glides is hard to hit, and a tap would stop it half way.
      window.scrollTo({ top: 0, behavior: 'instant' });
      $('h1', step ?? $('.report'))?.focus({ preventScroll: true });
      if (step) speak(spokenStep(step));
    }
  },
  // The rinse as the server reckons it; until it has answered, as planned from what is known here.
  rinseAt() {
    if (this.rinse) return this.rinse;
    const wait = this.steps.find(s => s.dataset.kind === 'wait');
    const waitBegun = wait && this.at >= Number(wait.dataset.step) ? this.begun[wait.dataset.step] : 0;
    const { rinse, process } = this.$root.dataset;
    return rinseAt({ waitBegun, first: this.first, now: this.now(), rinseMinutes: Number(rinse), processMinutes: Number(process) });
  },
  // Seconds left on the timer of this step: up to the rinse for the wait before it, its own minutes otherwise.
  left() {
    const step = this.step();
    const minutes = Number(step?.dataset.minutes || 0);
    if (!minutes) return 0;
    if (step.dataset.kind === 'wait' && this.first) {
      const lengths = this.steps[this.at]?.dataset.kind === 'lengths' ? Number(this.steps[this.at].dataset.minutes || 0) : 0;
      return (this.rinseAt() - this.now()) / 1000 - lengths * 60;
    }
    return secondsLeft(minutes, this.begun[this.at] ?? this.now(), this.now());
  },
  tick() {
    const step = this.step();
    const box = $('#run-clock');
    const timed = step && Number(step.dataset.minutes || 0) > 0;
    const running = this.first && step && ['paint', 'wait', 'lengths', 'mix'].includes(step.dataset.kind);
    box.hidden = !step || !(timed || (running && step.dataset.kind !== 'lengths'));
    const lanes = $('#run-lanes');
    $('#run-whole').hidden = !(running && this.lanes);
    if (this.lanes && lanes.dataset.drawn !== this.lanes) {
      lanes.innerHTML = this.lanes;
      lanes.dataset.drawn = this.lanes;
    }
    const late = $('#run-late');
    const sure = $('#run-next').dataset.sure;
    const says = sure ? say('There is still time on the clock. Tap again only if your colourist told you to go on.') : running ? this.says : '';
    if (!box.hidden) {
      if (timed) {
        const left = this.left();
        $('#run-time').textContent = clock(left);
        put('#run-time-says', left >= 0 ? say('to go') : say('over: go on now'));
        $('#run-rinse').textContent =
          step.dataset.kind === 'wait' ? say('rinse {0}', hour(this.rinseAt() - this.shift)) : say('until {0}', hour(this.now() + left * 1000 - this.shift));
        if (ring(this.kit + '-' + this.at + '-' + (this.begun[this.at] ?? ''), left)) speak(say('The time is up. Go on to the next step now.'));
        if (left < 0 && !says) {
          put('#run-late', say('The time is up. Go on to the next step now.'));
          return;
        }
      } else {
        $('#run-time').textContent = clock((this.now() - this.first) / 1000);
        put('#run-time-says', say('since the first stroke'));
        $('#run-rinse').textContent = say('rinse {0}', hour(this.rinseAt() - this.shift));
      }
    }
    if (late.textContent !== (says ?? '')) late.textContent = says ?? '';
  },
});
