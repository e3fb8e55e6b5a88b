// Rings a locked phone by Web Push, where the browser has it and the client wants it.
import { $ } from '../dom.js';

const box = $('#ring');

const bytes = base64url => Uint8Array.from(atob(base64url.replace(/-/g, '+').replace(/_/g, '/')), c => c.charCodeAt(0));
const base64url = buffer =>
  btoa(String.fromCharCode(...new Uint8Array(buffer)))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');

async function subscribe() {
  const ready = await navigator.serviceWorker.ready;
  const made = await ready.pushManager.subscribe({ userVisibleOnly: true, applicationServerKey: bytes(box.dataset.key) });
  const body = new URLSearchParams({ endpoint: made.endpoint, p256dh: base64url(made.getKey('p256dh')), auth: base64url(made.getKey('auth')) });
  const answer = await fetch($('#ring-form').action, { method: 'POST', body });
  if (!answer.ok) throw new Error(String(answer.status));
}

async function show() {
  if (!('serviceWorker' in navigator) || !('PushManager' in window) || !('Notification' in window)) return;
  box.hidden = false;
  const there = await (await navigator.serviceWorker.getRegistration('/g/'))?.pushManager.getSubscription().catch(() => null);
  if (!there) return;
  $('#ring-me').hidden = true;
  $('#ring-says').textContent = box.dataset.on;
}

if (box) {
  $('#ring-me').addEventListener('click', async () => {
    try {
      if ((await Notification.requestPermission()) !== 'granted') throw new Error('denied');
      await subscribe();
      $('#ring-me').hidden = true;
      $('#ring-says').textContent = box.dataset.on;
    } catch {
      $('#ring-says').textContent = box.dataset.no;
    }
  });
  show();
}
