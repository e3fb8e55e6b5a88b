// Time that is felt: the screen stays on while a run goes on, and a timer that ends rings and shakes the phone, once.
let lock = null;

/** Keeps the screen on while the page is looked at, where the phone can. */
export function awake() {
  const ask = async () => {
    try {
      if (!document.hidden) lock = (await navigator.wakeLock?.request('screen')) ?? lock;
    } catch {
      /* low on battery, or not allowed */
    }
  };
  ask();
  document.addEventListener('visibilitychange', ask);
}

let sound = null;

// A phone lets a page be heard only after it was touched.
globalThis.document?.addEventListener('pointerdown', () => {
  try {
    sound ??= new AudioContext();
    sound.resume();
  } catch {
    /* no sound here */
  }
});

const rung = new Map();

const name = timer => 'kitto-rang-' + timer;

/** Whether a timer rang in this tab, also before its page was loaded again. */
function rangBefore(timer) {
  try {
    return sessionStorage.getItem(name(timer)) !== null;
  } catch {
    return false;
  }
}

function note(timer) {
  try {
    sessionStorage.setItem(name(timer), '1');
  } catch {
    /* private window: it may ring again after a reload */
  }
}

// A timer that ended longer ago than this when the page was opened stays silent, seconds.
const STALE = 1800;

/** Rings once when a timer has come to its end, also where that was while the page was being loaded again. True where it rang. */
export function ring(timer, left) {
  const before = rung.get(timer);
  rung.set(timer, left);
  if (left > 0 || (before !== undefined && before <= 0)) return false;
  if (before === undefined && (left < -STALE || rangBefore(timer))) return false;
  note(timer);
  navigator.vibrate?.([500, 200, 500, 200, 500]);
  document.documentElement.dataset.rang = timer;
  if (!sound) return true;
  for (const [at, hertz] of [
    [0, 660],
    [0.35, 880],
    [0.7, 660],
    [1.05, 880],
  ]) {
    const tone = sound.createOscillator();
    const loud = sound.createGain();
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.4, sound.currentTime + at);
    loud.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + at + 0.3);
    tone.connect(loud).connect(sound.destination);
    tone.start(sound.currentTime + at);
    tone.stop(sound.currentTime + at + 0.32);
  }
  return true;
}
