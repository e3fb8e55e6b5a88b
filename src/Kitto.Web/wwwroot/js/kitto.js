// What the pages do in the browser. Nothing is reckoned here: facts go to the server, drawings and sentences come back.
(() => {
  'use strict';
  document.documentElement.classList.add('js');
  const $ = (selector, from = document) => from.querySelector(selector);
  const $$ = (selector, from = document) => [...from.querySelectorAll(selector)];
  window.kitto = { $, $$, step };

  document.addEventListener('click', event => {
    const button = event.target.closest('button');
    if (!button) return;
    if (button.hasAttribute('data-print')) window.print();
    if (button.dataset.copy) {
      navigator.clipboard?.writeText(button.dataset.copy).then(() => { button.textContent = 'Copied'; }, () => $('[data-select]')?.select());
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
    if (event.key === '/' && $('#find')) { event.preventDefault(); $('#find').focus(); }
    if (event.target.closest('dialog')) return;
    if (event.key === '?' && $('#keys')) { event.preventDefault(); $('#keys').showModal(); }
    const place = /^[a-z]$/.test(event.key) && $(`a[data-key=${event.key}]`);
    if (place) { event.preventDefault(); place.click(); }
  });

  function step(input, by) {
    const size = input.name.endsWith('greyPercent') ? 5 : 1;
    const most = input.name.endsWith('greyPercent') ? 100 : 300;
    const now = Number((input.value || '0').replace(',', '.'));
    if (Number.isNaN(now)) return;
    input.value = String(Math.min(most, Math.max(0, now + by * size)));
    input.dispatchEvent(new Event('input', { bubbles: true }));
  }

  document.addEventListener('alpine:init', () => {
    // Clients: rows as one types.
    Alpine.data('finder', () => ({
      timer: 0,
      turn: 0,
      later() { clearTimeout(this.timer); this.timer = setTimeout(() => this.now(), 120); },
      async now() {
        const turn = ++this.turn;
        const text = $('#find-here').value;
        const answer = await fetch('/clients?handler=Rows&find=' + encodeURIComponent(text));
        if (turn !== this.turn || !answer.ok) return;
        $('#found').innerHTML = await answer.text();
        history.replaceState(null, '', text ? '/clients?find=' + encodeURIComponent(text) : '/clients');
      },
    }));

    // The questions: none and something exclude each other; more lines as they are needed.
    Alpine.data('questions', () => ({
      init() {
        this.$el.addEventListener('change', event => {
          const box = event.target;
          if (box.type !== 'checkbox' || !box.checked) return;
          const all = $$('input[type=checkbox]', box.closest('fieldset'));
          const none = box.name.startsWith('none.');
          for (const other of all) if (other !== box && other.name.startsWith('none.') !== none) other.checked = false;
        });
        this.$el.addEventListener('input', event => {
          const row = event.target.closest('.put');
          if (row && event.target.value) { const none = $('[name="none.putOn"]', this.$el); none.checked = false; }
        });
        $('[data-more-rows]', this.$el).addEventListener('click', event => {
          const next = $('.put[hidden]', this.$el);
          if (next) { next.hidden = false; $('select', next).focus(); }
          event.target.hidden = !$('.put[hidden]', this.$el);
        });
      },
    }));
  });
})();
