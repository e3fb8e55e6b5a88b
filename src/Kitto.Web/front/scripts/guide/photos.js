// Pictures are made small on the phone, and go in pieces: cut off, they go on where they were, also after a reload.
import { $ } from '../dom.js';
import { newId } from './ids.js';
import { all, drop, handler, keep } from './unsent.js';

const LONGEST = 2400;
const PIECE = 96 * 1024;

/** A picture no longer than it needs to be, as JPEG and without what the camera wrote into it; as it came where the phone cannot. */
export async function small(file) {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
    canvas.getContext('2d').drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  } catch {
    return file;
  }
}

const field = (item, name) => item.fields.find(([n]) => n === name)?.[1];

/** Sends what is left of a picture. True once it is there, or is none. */
export async function sendPhoto(item, said = () => {}) {
  const whole = field(item, 'photo');
  let from = 0;
  for (let tries = 0; tries < 400; tries += 1) {
    const body = new FormData();
    body.set('id', field(item, 'id'));
    body.set('from', from);
    body.set('size', whole.size);
    body.set('photo', whole.slice(from, from + PIECE, 'application/octet-stream'), 'piece');
    const answer = await fetch(item.action, { method: 'POST', body });
    if (answer.status >= 500 || answer.status === 429) throw new Error(String(answer.status));
    const stand = answer.ok && answer.headers.get('content-type')?.includes('json') ? await answer.json() : { done: true };
    said(Math.round((100 * stand.came) / whole.size), stand.wrong);
    if (stand.done || stand.wrong) {
      await drop(item.key);
      return true;
    }
    from = stand.came;
  }
  return false;
}

/** Sends every picture that waits. */
export async function sendPhotos(said) {
  const waiting = (await all()).filter(item => handler(item.action) === 'Photo');
  for (const item of waiting) await sendPhoto(item, said);
  return waiting.length;
}

const form = $('#photos-form');
form?.addEventListener('submit', async event => {
  const file = form.elements.photo.files[0];
  if (!file || !('indexedDB' in window)) return;
  event.preventDefault();
  const place = $('#photos-said');
  const { pathname, search } = new URL(form.action);
  await keep(pathname + search, [
    ['id', newId()],
    ['photo', await small(file)],
  ]);
  let wrong = null;
  try {
    await sendPhotos((percent, why) => {
      wrong = why ?? wrong;
      place.textContent = place.dataset.sending.replace('{0}', percent);
    });
    if (wrong) place.textContent = place.dataset.unread;
    else location.reload();
  } catch {
    place.textContent = place.dataset.later;
  }
});
