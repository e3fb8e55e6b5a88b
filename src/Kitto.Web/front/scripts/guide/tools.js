// How the guide is shown: read out, for a left hand, for curled hair, in numbers that are read from across the room. Each phone keeps its own.
import { $ } from '../dom.js';
import { language } from './words.js';

const kept = name => 'kitto-' + name;

function remember(name, on) {
  try {
    localStorage.setItem(kept(name), on ? '1' : '');
  } catch {
    /* private window: for this page only */
  }
}

/** Reads a text out, in the language of the page; what was being read stops. */
export function speak(text) {
  if (!speaking() || !text) return;
  speechSynthesis.cancel();
  const spoken = new SpeechSynthesisUtterance(text);
  spoken.lang = language();
  spoken.voice = speechSynthesis.getVoices().find(v => v.lang.replace('_', '-').startsWith(document.documentElement.lang)) ?? null;
  speechSynthesis.speak(spoken);
  document.documentElement.dataset.spoken = text;
}

/** Whether steps are read out. */
export const speaking = () => 'speechSynthesis' in window && $('#read-aloud')?.getAttribute('aria-pressed') === 'true';

/** The step that is shown, as it is read out: its title, then its lines. */
export const spokenStep = step => [...step.querySelectorAll('h1, :scope > p:not(.step-number)')].map(line => line.textContent.trim()).join('. ');

/** A button that stays as it was left. */
function toggle(button, name, changed) {
  if (!button) return;
  const set = on => {
    button.setAttribute('aria-pressed', on);
    document.documentElement.classList.toggle(name, on);
  };
  set(localStorage.getItem(kept(name)) === '1');
  button.addEventListener('click', () => {
    const on = button.getAttribute('aria-pressed') !== 'true';
    set(on);
    remember(name, on);
    changed?.(on);
  });
}

toggle($('#left-hand'), 'left-handed');
toggle($('#curly'), 'curly');
toggle($('#still'), 'still');
toggle($('#far-view'), 'far');
const aloud = $('#read-aloud');
if (aloud && !('speechSynthesis' in window)) aloud.hidden = true;
toggle(aloud, 'aloud', on => {
  if (on) speak(spokenStep($('.step.shown') ?? $('.screen')));
  else speechSynthesis.cancel();
});
