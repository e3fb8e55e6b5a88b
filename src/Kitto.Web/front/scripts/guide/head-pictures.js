// Pictures of the head: looked at on the phone, made small, kept here until they are sent, in pieces.
import { $, $$ } from '../dom.js';
import { newId } from './ids.js';
import { alone, keep } from './unsent.js';
import { drawn, packed, sendPhotos } from './photos.js';

const box = $('#pictures');
const card = box && JSON.parse(box.dataset.look);

/** What is wrong with a picture, in words; null: nothing that is seen here. */
async function wrongWith(canvas) {
  const { look } = await import('/lib/card.js');
  const c = canvas.getContext('2d');
  return card.says[look(c.getImageData(0, 0, canvas.width, canvas.height), card)] ?? null;
}

/** What the rule says, as it is sent; nothing where it cannot be: that is said beside it, and the picture goes all the same. */
function ruled() {
  const { value, dataset } = $('#rule');
  const read = Number(value.trim().replace(',', '.'));
  const fits = value.trim() === '' || (read >= Number(dataset.least) && read <= Number(dataset.most));
  const wrong = $('#rule-wrong');
  wrong.textContent = fits ? '' : wrong.dataset.says;
  return fits ? value.trim() : '';
}

function wire(item) {
  const form = $('.take', item);
  const state = $('.state', item);
  const anyway = $('.send-anyway', form);
  const gone = $('.gone', item);
  let waiting = null;

  async function send(blob) {
    anyway.hidden = true;
    const id = newId();
    const { pathname, search } = new URL(form.action);
    await keep(pathname + search, [
      ['id', id],
      ['kind', form.elements.kind.value],
      ['zone', form.elements.zone.value],
      ['rule', ruled()],
      ['photo', blob],
    ]);
    try {
      const told = (percent, stand, of) => {
        if (of !== id) return;
        state.textContent = stand.wrong ?? stand.says ?? box.dataset.sending.replace('{0}', percent);
        if (!stand.done) return;
        item.classList.toggle('came', !stand.again);
        item.classList.toggle('again', stand.again);
        gone.elements.id.value = id;
        gone.hidden = false;
      };
      await alone('kitto-pictures', () => sendPhotos(told), { ifAvailable: false });
    } catch {
      state.textContent = box.dataset.later;
    }
  }

  form.elements.photo.addEventListener('change', async () => {
    const file = form.elements.photo.files[0];
    form.elements.photo.value = '';
    if (!file) return;
    state.textContent = box.dataset.looking;
    anyway.hidden = true;
    const canvas = await drawn(file);
    waiting = canvas ? await packed(canvas) : file;
    const wrong = canvas && form.elements.kind.value !== 'whole' ? await wrongWith(canvas).catch(() => null) : null;
    if (wrong === null) return send(waiting);
    state.textContent = wrong;
    item.classList.remove('came');
    item.classList.add('again');
    anyway.hidden = false;
    return undefined;
  });
  anyway.addEventListener('click', () => send(waiting));
  gone.addEventListener('submit', async event => {
    event.preventDefault();
    try {
      const answer = await fetch(gone.action, { method: 'POST', body: new FormData(gone), redirect: 'manual' });
      if (answer.status >= 400) throw new Error(String(answer.status));
      state.textContent = '';
      item.classList.remove('came', 'again');
      gone.hidden = true;
    } catch {
      state.textContent = box.dataset.later.split(':')[0];
    }
  });
}

if (box && 'indexedDB' in window) {
  $('#rule').addEventListener('change', ruled);
  for (const item of $$('.asked-picture', box)) wire(item);
}
