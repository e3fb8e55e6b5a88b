// A simulated scale with a hand that pours: what lies on it, what it measures of that, and the line of text it writes. All invented; no make is copied.

/** A generator of numbers between 0 and 1, alike for one seed (mulberry32, public domain). */
export function random(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const forms = {
  'mark first': ({ shown, steady, unit, over, decimals }) =>
    over ? 'OL,NT,       ' : `${steady ? 'ST' : 'US'},NT,${shown < 0 ? '-' : '+'}${Math.abs(shown).toFixed(decimals).padStart(9)} ${unit}`,
  'letter and letter': ({ shown, steady, unit, over, decimals }) => (over ? 'S +' : `S ${steady ? 'S' : 'D'} ${shown.toFixed(decimals).padStart(10)} ${unit}`),
  'unit when steady': ({ shown, steady, unit, over, decimals }) =>
    over ? 'H' : `${shown < 0 ? '-' : '+'}${Math.abs(shown).toFixed(decimals).padStart(9)}${steady ? ' ' + unit : ''}`,
  'question mark when moving': ({ shown, steady, unit, over, decimals }) => (over ? '^^^^' : `${shown.toFixed(decimals).padStart(10)} ${unit}${steady ? '' : ' ?'}`),
};

/** Names of the forms of line it can write. */
export const lineForms = Object.keys(forms);

export class Scale {
  /** @param {{ seed?: number, step?: number, noise?: number, drift?: number, form?: string, most?: number, settle?: number }} like */
  constructor({ seed = 1, step = 0.1, noise = 0.02, drift = 0.002, form = 'mark first', most = 2000, settle = 0.18 } = {}) {
    Object.assign(this, { step, noise, drift, form, most, settle, chance: random(seed) });
    this.vessel = 0; // grams of the vessel that stands on it
    this.inside = 0; // grams in the vessel
    this.pouring = 0; // grams a second that run into it
    this.stopAt = null; // grams in the vessel at which the hand stops
    this.sensed = 0; // what the cell has come to
    this.drifted = 0;
    this.tare = 0;
    this.battery = 100;
    this.cable = true;
    this.unit = 'g';
    this.history = [];
  }

  get load() {
    return this.vessel + this.inside;
  }

  /** Lets some seconds pass: the hand pours, the cell settles and drifts. */
  pass(seconds) {
    if (this.pouring > 0) {
      this.inside += this.pouring * seconds;
      if (this.stopAt !== null && this.inside >= this.stopAt) {
        this.inside = this.stopAt;
        this.pouring = 0;
        this.stopAt = null;
      }
    }
    this.sensed += (this.load - this.sensed) * (1 - Math.exp(-seconds / this.settle));
    this.drifted += (this.chance() - 0.5) * this.drift * Math.sqrt(seconds);
    if (this.battery < 100) this.battery = Math.max(0, this.battery - seconds * 4);
  }

  /** A reading as a line of text; null where nothing comes: the battery is empty or the cable out. */
  line() {
    if (!this.cable || this.battery <= 0) return null;
    if (this.battery < 20) return 'LO BAT';
    const noise = (this.chance() + this.chance() + this.chance() - 1.5) * this.noise;
    const measured = this.sensed + this.drifted + noise - this.tare;
    const shown = Math.round(measured / this.step) * this.step;
    this.history = [...this.history.slice(-4), shown];
    const steady = this.history.length === 5 && Math.max(...this.history) - Math.min(...this.history) <= this.step + 1e-9;
    const unit = this.unit;
    return forms[this.form]({ shown: unit === 'oz' ? shown / 28.349523125 : shown, steady, unit, over: this.load > this.most, decimals: unit === 'oz' ? 3 : this.step < 0.1 ? 2 : 1 });
  }

  /** What a hand does. Returns what stands on the scale then. */
  do({ kind, grams = 0, speed = 12 }) {
    if (kind === 'put') Object.assign(this, { vessel: grams || 14, inside: 0, pouring: 0, stopAt: null });
    else if (kind === 'again') this.vessel = grams || 14;
    else if (kind === 'take') Object.assign(this, { vessel: 0, inside: 0, pouring: 0, stopAt: null });
    else if (kind === 'pour') Object.assign(this, { pouring: speed, stopAt: grams > 0 ? this.inside + grams : null });
    else if (kind === 'stop') Object.assign(this, { pouring: 0, stopAt: null });
    else if (kind === 'tare') this.tare = this.sensed + this.drifted;
    else if (kind === 'dying') this.battery = Math.min(this.battery, 21);
    else if (kind === 'charged') this.battery = 100;
    else if (kind === 'unplug') this.cable = false;
    else if (kind === 'plug') this.cable = true;
    else if (kind === 'unit') this.unit = this.unit === 'g' ? 'oz' : 'g';
    else if (kind === 'lean') this.inside += grams || 3000;
    else throw new Error(`A hand cannot do “${kind}”.`);
    return this.state();
  }

  state() {
    const { vessel, inside, pouring, battery, cable, unit, step, form } = this;
    return { vessel, inside, pouring, battery, cable, unit, step, form };
  }
}
