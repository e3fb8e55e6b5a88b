// What every page does: its buttons, its keys, and the class that says scripts run.
import { $ } from './dom.js';
import { stepped } from './typed.js';

document.documentElement.classList.add('js');

/** One step up or down in a field, as the buttons beside it and the keys on a zone do; its size and range stand on the field. */
export function step(input, by) {
  const value = stepped(input.value, by, {
    least: Number(input.dataset.least ?? 0),
    most: Number(input.dataset.most ?? Infinity),
    size: Number(input.dataset.size ?? 1),
  });
  if (value === null) return;
  input.value = value;
  input.dispatchEvent(new Event('input', { bubbles: true }));
}

document.addEventListener('click', event => {
  const button = event.target.closest('button');
  if (!button) return;
  if (button.hasAttribute('data-print')) window.print();
  if (button.dataset.copy) {
    navigator.clipboard?.writeText(button.dataset.copy).then(
      () => {
        button.textContent = 'Copied';
      },
      () => $('[data-select]')?.select(),
    );
  }
  if (button.dataset.open) $('#' + button.dataset.open).showModal();
  if (button.dataset.close) $('#' + button.dataset.close).close();
  if (button.id === 'larger') {
    const large = document.documentElement.classList.toggle('large');
    button.setAttribute('aria-pressed', large);
    document.cookie = `kitto-type=${large ? 'large' : ''}; path=/; max-age=31536000; samesite=lax`;
  }
  if (button.dataset.step && button.dataset.for) step($('#' + button.dataset.for), Number(button.dataset.step));
});

document.addEventListener('keydown', event => {
  if (event.target.closest('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === '/' && $('#find')) {
    event.preventDefault();
    $('#find').focus();
  }
  if (event.target.closest('dialog')) return;
  if (event.key === '?' && $('#keys')) {
    event.preventDefault();
    $('#keys').showModal();
  }
  // A page's own keys go before the places'.
  const own = $('[data-own-keys]')?.dataset.ownKeys.includes(event.key);
  const place = !own && /^[a-z]$/.test(event.key) && $(`a[data-key=${event.key}]`);
  if (place) {
    event.preventDefault();
    place.click();
  }
});
