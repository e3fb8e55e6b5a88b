// Pictures are made small on the phone, and go in pieces: cut off, they go on where they were, also after a reload.
import { all, drop, handler } from './unsent.js';

const LONGEST = 2400;
const PIECE = 96 * 1024;

/** Which of what waits is a picture; the first name is that of before they were asked for by what they show. */
export const isPhoto = item => ['Photo', 'Picture'].includes(handler(item.action));

/** A picture upright and no longer than it needs to be; null where the phone cannot. */
export async function drawn(file) {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
    canvas.getContext('2d', { willReadFrequently: true }).drawImage(picture, 0, 0, canvas.width, canvas.height);
    return canvas;
  } catch {
    return null;
  }
}

/** As JPEG, without what the camera wrote into it. */
export const packed = canvas => canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });

const field = (item, name) => item.fields.find(([n]) => n === name)?.[1];

/** Sends what is left of a picture, and says how far it is: percent, what the other side answers, its id. True once it is there, or is none. */
export async function sendPhoto(item, said = () => {}) {
  const whole = field(item, 'photo');
  let from = 0;
  for (let tries = 0; tries < 400; tries += 1) {
    const body = new FormData();
    for (const [name, value] of item.fields) if (typeof value === 'string') body.set(name, value);
    body.set('from', from);
    body.set('size', whole.size);
    body.set('photo', whole.slice(from, from + PIECE, 'application/octet-stream'), 'piece');
    const answer = await fetch(item.action, { method: 'POST', body });
    if (answer.status >= 500 || answer.status === 429) throw new Error(String(answer.status));
    const stand = answer.ok && answer.headers.get('content-type')?.includes('json') ? await answer.json() : { done: true };
    said(Math.round((100 * stand.came) / whole.size), stand, field(item, 'id'));
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
  const waiting = (await all()).filter(isPhoto);
  for (const item of waiting) await sendPhoto(item, said);
  return waiting.length;
}
