// Reading ahead: pages, and nothing is sent to anybody.
import { $, $$ } from '../dom.js';
import showStep from './steps.js';
import { speak, spokenStep } from './tools.js';
import { say } from './words.js';

export default () => ({
  at: 0,
  init() {
    this.steps = $$('.step[data-step]', this.$el);
    $('#run-next').addEventListener('click', () => this.next());
    $('#run-back').addEventListener('click', () => this.back());
    this.show(false);
  },
  next() {
    if (this.at < this.steps.length - 1) this.at += 1;
    this.show(true);
  },
  back() {
    if (this.at > 0) this.at -= 1;
    this.show(true);
  },
  show(moved) {
    const step = showStep(this.steps, this.at);
    $('#run-next').hidden = this.at === this.steps.length - 1;
    $('#run-next').textContent = say('Next page');
    $('#run-back').hidden = this.at === 0;
    $('#bar-aside').textContent = say('page {0} of {1}', this.at + 1, this.steps.length);
    if (moved) {
      this.$root.scrollIntoView({ behavior: 'instant' });
      $('h1', step).focus({ preventScroll: true });
      speak(spokenStep(step));
    }
  },
});
