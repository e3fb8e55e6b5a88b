// Answers that are being typed survive a reload, and a network that is not there.
import { $, $$ } from '../dom.js';

const WEEK = 7 * 86_400_000;
const form = globalThis.document?.querySelector?.('form.questions[data-draft]');
const key = 'kitto-draft-' + globalThis.location?.pathname;

/** Puts what was typed back into a form. */
function restore(fields) {
  for (const input of $$('input, select, textarea', form)) {
    if (!input.name || input.type === 'hidden' || input.type === 'file') continue;
    const values = fields.filter(([name]) => name === input.name).map(([, value]) => value);
    if (['checkbox', 'radio'].includes(input.type)) input.checked = values.includes(input.value);
    else if (values.length > 0) [input.value] = values;
    if (values[0]) input.closest('.put')?.removeAttribute('hidden');
  }
}

export default function draft() {
  if (!form) {
    if ($('[data-answered]')) localStorage.removeItem(key);
    return;
  }
  const saved = JSON.parse(localStorage.getItem(key) ?? 'null');
  // What the server gave back with its complaints is newer than the draft.
  if (saved && Date.now() - saved.at < WEEK && form.dataset.draft === 'fresh') restore(saved.fields);
  const save = () => {
    try {
      localStorage.setItem(key, JSON.stringify({ at: Date.now(), fields: [...new FormData(form).entries()].filter(([, v]) => typeof v === 'string') }));
    } catch {
      /* private window */
    }
  };
  form.addEventListener('input', save);
  form.addEventListener('change', save);
}
