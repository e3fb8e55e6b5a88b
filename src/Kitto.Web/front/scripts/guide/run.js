// The guide's run: one step a screen. What was done when is saved here until the server has it; the server says when to rinse,
// and another device goes on from there. Without a network it goes on by itself. To practise is the same, with nothing saved and a minute in a second.
import { $, $$ } from '../dom.js';
import { forgetBegun, memory } from './begun.js';
import { awake, ring } from './felt.js';
import { newId } from './ids.js';
import { clockIsOff } from './local.js';
import showStep from './steps.js';
import { speak, spokenStep } from './tools.js';
import { put, say } from './words.js';
import { WRONG, betterShift, clock, hour, rinseAt, secondsLeft } from './times.js';
import { lateWords } from './late-words.js';

// How long a question to the client stays: it goes by itself, and never stands in the way of what the clock says.
const ASKED = 6000;
const PRACTICE_SPEED = 60;

export default () => ({
  at: 1,
  unsent: [],
  begun: {},
  first: 0,
  rinse: 0,
  partAt: 0,
  partZones: '',
  says: '',
  shift: 0,
  took: 0,
  floor: 0,
  ticks: [],
  known: false,
  started: false,
  ended: false,
  init() {
    this.practise = this.$el.dataset.practise === 'true';
    this.loaded = Date.now();
    this.steps = $$('.step[data-step]', this.$el);
    // Each run has a memory of its own: what was left of an earlier one says nothing of this.
    const started = JSON.parse(this.$el.dataset.started ?? 'null');
    this.kit = this.$el.dataset.run;
    this.key = memory(this.kit, started ? started.id : this.$el.dataset.began);
    if (!this.practise) {
      try {
        Object.assign(this, JSON.parse(localStorage.getItem(this.key) ?? '{}'));
      } catch {
        /* a damaged note begins again */
      }
    }
    const number = kind => Number(this.steps.find(s => s.dataset.kind === kind)?.dataset.step ?? 0);
    this.waitStep = number('wait');
    this.firstRinse = number('rinse') || Infinity;
    this.firstOn = Number(this.$el.dataset.first);
    this.off = Number(this.$el.dataset.off);
    // A phone that remembers nothing shows what the page was written with, and asks where the run is before a step can be tapped.
    const written = JSON.parse(this.$el.dataset.now || 'null');
    if (!localStorage.getItem(this.key) && written) this.take(written);
    this.wait(!this.practise && !started && !localStorage.getItem(this.key));
    this.floor = Math.max(this.floor, Number(this.$el.dataset.began));
    // Begun without a network: that is the first thing to be sent. Whoever had colour on already is past the painting.
    if (started && !this.started) {
      this.started = true;
      this.unsent.unshift({ id: started.id ?? newId(), word: 'start', step: 0, raw: started.raw });
      if (started.colour) this.colourIsOn(started.colour);
      this.keep();
    }
    awake();
    $('#far-view').hidden = false;
    $('#run-next').addEventListener('click', () => this.next());
    $('#run-back').addEventListener('click', () => this.back());
    $('#run-end').addEventListener('submit', event => {
      event.preventDefault();
      this.end();
    });
    const checks = $$('#checks input');
    checks.forEach((box, i) => {
      box.checked = this.ticks.includes(i);
      box.addEventListener('change', () => {
        this.ticks = checks.flatMap((b, n) => (b.checked ? [n] : []));
        this.asked = null;
        this.keep();
        this.tick();
      });
    });
    this.tellWorker(false);
    this.at = Math.min(Math.max(1, this.at), this.steps.length + 1);
    this.show(false);
    setInterval(() => this.tick(), this.practise ? 200 : 500);
    setInterval(() => {
      if (!document.hidden) this.sync();
    }, 4000);
    document.addEventListener('visibilitychange', () => {
      if (!document.hidden) this.sync();
    });
    window.addEventListener('online', () => this.sync());
    if (sessionStorage.getItem('kitto-joined')) {
      sessionStorage.removeItem('kitto-joined');
      $('#run-joined').hidden = false;
    }
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
    if (this.practise) return;
    navigator.serviceWorker?.ready.then(r => r.active?.postMessage({ running: location.pathname, over }));
  },
  now() {
    return this.practise ? this.loaded + (Date.now() - this.loaded) * PRACTICE_SPEED : Date.now() + this.shift;
  },
  keep() {
    if (this.practise) return;
    const { at, unsent, begun, first, rinse, partAt, partZones, says, shift, took, floor, ticks, started, ended } = this;
    try {
      localStorage.setItem(this.key, JSON.stringify({ at, unsent, begun, first, rinse, partAt, partZones, says, shift, took, floor, ticks, started, ended }));
    } catch {
      /* private window: it runs without memory */
    }
  },
  // Saved by this phone's own clock; it is put on the server's when it is sent, however wrong this one is, and in the order in which it was tapped.
  tell(word, step, raw = Date.now()) {
    if (!this.practise) this.unsent.push({ id: newId(), word, step, raw });
    return this.practise ? this.now() : Math.round(raw + this.shift);
  },
  line(said) {
    this.floor = Math.max(Math.round(said.raw + this.shift), this.floor + 1);
    return `${said.id} ${said.word} ${said.step} ${this.floor}`;
  },
  begin() {
    this.begun[this.at] = this.tell('step', this.at);
    if (this.putsColourOn(this.at) && !this.first) this.first = this.begun[this.at];
    // What the server said last holds until it says more; the wait, begun without a network, is timed here.
    if (this.at === this.waitStep) this.rinse = 0;
    this.keep();
    this.sync();
  },
  putsColourOn(step) {
    return step >= this.firstOn && step < this.off;
  },
  // Colour was on before the run was begun: its first zone then, and all of it painted by the plan or by now, whichever is earlier.
  colourIsOn(since) {
    const zone = Number(this.steps.find(s => s.dataset.kind === 'paint').dataset.step);
    const painted = Math.min(Date.now(), since + Number(this.$el.dataset.paint) * 60_000);
    for (const [step, raw] of [...new Set([this.firstOn, zone])].map(s => [s, since]).concat([[this.waitStep, painted]])) {
      this.begun[step] = this.tell('step', step, raw);
    }
    this.first = this.begun[this.firstOn];
    this.at = this.waitStep;
  },
  async sync() {
    if (this.busy || this.practise) return;
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
      const answer = await fetch(form.action, { signal: AbortSignal.timeout(12_000), ...(sending ? { method: 'POST', body } : {}) });
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
      if (stand.first && !this.first && this.unsent.length === 0) {
        // Another phone has colour on the head: this one shows that timer.
        $('#run-joined').hidden = false;
        if (this.started) sessionStorage.setItem('kitto-joined', '1');
      }
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
      clockIsOff(this.shift);
      if (this.unsent.length === 0) {
        const before = this.at;
        this.take(stand);
        if (this.at !== before) this.show(true);
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
  /** Takes over where the server says the run is; a report that is being written stays. */
  take(stand) {
    const { begun, first, rinse, partAt, partZones, says, lanes } = stand;
    Object.assign(this, { begun, first: first ?? 0, rinse: rinse ?? 0, partAt: partAt ?? 0, partZones: partZones ?? '', says: says ?? '', lanes });
    if (Object.keys(begun).length > 0 && this.at <= this.steps.length) this.at = Math.min(stand.at, this.steps.length + 1);
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
  // A question to the client, once; the same tap again goes on.
  ask(words) {
    this.asked = { words, at: Date.now() };
    this.tick();
  },
  next() {
    const open = $$('#checks input').find(box => !box.checked);
    if (this.at === 1 && open) {
      this.ask(say('Tick each line first.'));
      open.closest('label').scrollIntoView({ block: 'center', behavior: 'instant' });
      open.focus({ preventScroll: true });
      return;
    }
    const left = this.left();
    if (left > 0 && !this.asked) {
      this.ask(say('Not yet: {0} min to go. Tap again only if your colourist asked you to.', Math.ceil(left / 60)));
      return;
    }
    this.asked = null;
    if (this.at <= this.steps.length) this.at += 1;
    if (this.practise && this.at > this.steps.length) {
      this.leavePractice();
      return;
    }
    if (this.past()) this.tellWorker(true);
    this.begin();
    this.show(true);
  },
  // A step tapped by mistake is undone; the one before it goes on as it was begun.
  back() {
    if (this.at <= 1) return;
    const undone = this.title(this.step());
    if (this.begun[this.at]) {
      this.tell('back', this.at);
      delete this.begun[this.at];
    }
    if (!Object.keys(this.begun).some(step => this.putsColourOn(Number(step)))) this.first = 0;
    this.at -= 1;
    if (!this.first || this.at + 1 === this.waitStep) this.rinse = 0;
    this.asked = null;
    if (!this.begun[this.at]) this.begun[this.at] = this.tell('step', this.at);
    this.show(true);
    put('#run-undone', say('Undone: {0}. You are back at: {1}.', undone, this.title(this.step())));
    this.sync();
  },
  title(step) {
    return step ? $('h1', step).textContent : say('report');
  },
  // All is rinsed out: aftercare comes next, then the report. Where nothing was put on, the session ends.
  end() {
    if (this.practise) {
      this.leavePractice();
      return;
    }
    if (this.first && !this.past()) {
      this.at = this.off;
      this.tellWorker(true);
      this.begin();
      this.show(true);
      return;
    }
    this.tell('end', 0);
    this.ended = true;
    this.tellWorker(true);
    this.show(false);
    this.sync();
  },
  leavePractice() {
    location.hash = '';
    location.reload();
  },
  show(moved) {
    const ended = $('#run-ended');
    if (ended) ended.hidden = !this.ended;
    for (const part of $$('.step, .guide-tools, #guide-head, #run-acts, #run-what-if, #run-stop, #run-whole, .report', this.$root.parentNode)) {
      part.classList.toggle('is-over', this.ended);
    }
    const onHead = !!this.first && !this.past();
    for (const words of $$('[data-on-head]', this.$root)) words.hidden = (words.dataset.onHead === 'true') !== onHead;
    const step = showStep(this.steps, this.at - 1);
    for (const part of $$('.guide-tools, #run-what-if')) part.hidden = !step;
    $('#run-stop').hidden = !step || this.past();
    $('.report')?.classList.toggle('shown', !step && !this.practise);
    // Nothing is due any more.
    $('#ring')?.classList.toggle('is-over', !step);
    $('#run-back').hidden = this.at === 1;
    put('#run-undone', '');
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
  // The rinse as the server calculates it; until it has answered, as planned from what is known here. After the first rinse it is the one of the second step, once that is on.
  rinseAt() {
    if (this.at >= this.firstRinse) {
      const { kind, minutes } = this.step()?.dataset ?? {};
      return kind === 'lengths' && minutes ? (this.begun[this.at] ?? this.now()) + Number(minutes) * 60_000 : 0;
    }
    if (this.rinse) return this.rinse;
    const waitBegun = this.waitStep && this.at >= this.waitStep ? this.begun[this.waitStep] : 0;
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
    const onHead = !!this.first && !this.past();
    const timed = step && Number(step.dataset.minutes || 0) > 0;
    const left = timed ? this.left() : 0;
    const rinse = onHead ? this.rinseAt() : 0;
    // What is due goes before everything; a question is asked only while nothing is.
    const late = lateWords({
      onHead,
      waiting: this.at >= this.waitStep,
      now: this.now(),
      rinse,
      partAt: this.at < this.firstRinse ? this.partAt : 0,
      partZones: this.partZones,
      says: this.says,
      over: timed && left < 0,
    });
    put('#run-late', late.words);
    const low = $('#low');
    low.classList.toggle('rinse-now', late.now);
    if (this.asked && (late.now || Date.now() - this.asked.at > ASKED)) this.asked = null;
    put('#run-ask', this.asked?.words ?? '');
    this.clockFace({ step, timed, left, onHead, rinse });
    this.label(step, late);
    const lanes = $('#run-lanes');
    $('#run-whole').hidden = !(onHead && this.lanes);
    if (this.lanes && lanes.dataset.drawn !== this.lanes) {
      lanes.innerHTML = this.lanes;
      lanes.dataset.drawn = this.lanes;
    }
    // The end of the wait rings with its own timer.
    if (late.key === 'part' && !this.practise && ring(`${this.kit}-part-${this.first}`, -1)) speak(late.words);
  },
  clockFace({ step, timed, left, onHead, rinse }) {
    $('#run-clock').hidden = this.ended || !step || !(timed || onHead);
    if (timed) {
      put('#run-time', clock(left));
      put('#run-time-says', left >= 0 ? say('to go') : say('over'));
      for (const minutes of $$('[data-minutes-left]', step)) minutes.textContent = Math.max(0, Math.ceil(left / 60));
      if (!this.practise && ring(`${this.kit}-${this.at}-${this.begun[this.at] ?? ''}`, left)) speak(say('The time is up. Go to the next step.'));
    } else if (onHead) {
      put('#run-time', clock((this.now() - this.first) / 1000));
      put('#run-time-says', say('since you started'));
    }
    // A phone whose clock is wrong shows no time of day.
    const wrong = this.practise || Math.abs(this.shift) >= WRONG;
    const minutes = Math.ceil((rinse - this.now()) / 60_000);
    put('#run-rinse', !rinse ? '' : minutes <= 0 ? say('now') : wrong ? say('in {0} min', minutes) : hour(rinse - (this.practise ? 0 : this.shift)));
    put('#run-rinse-says', !rinse ? '' : minutes <= 0 || wrong ? say('rinse') : say('rinse at'));
  },
  label(step, late) {
    const button = $('#run-next');
    const after = this.steps[this.at];
    button.hidden = !step || this.ended;
    const words =
      late.now && after?.dataset.kind === 'rinse'
        ? say('I am rinsing')
        : after
          ? say('Done, next: {0}', $('h1', after).textContent.toLowerCase())
          : this.practise
            ? say('End of the practice')
            : say('Done, on to the report');
    if (button.textContent !== words) button.textContent = words;
  },
});
