import { $ } from '../dom.js';

// It burns or itches: the words are in the page; the message goes when there is a network. Without scripts the form goes by itself.
const burns = $('#burns');
$('[data-shut=burns]')?.addEventListener('click', () => {
  burns.open = false;
});
$('#burns-form')?.addEventListener('submit', async event => {
  event.preventDefault();
  const said = $('#burns-said');
  const send = async () => {
    const body = new URLSearchParams(new FormData(event.target));
    const answer = await fetch(event.target.action, { method: 'POST', body });
    // A closed link answers 410 and has taken it all the same.
    if (!answer.ok && answer.status !== 410) throw new Error(String(answer.status));
    if (answer.status === 410) {
      said.textContent = 'Your colourist has been told. Do not use anything of this kit.';
      return;
    }
    location.href = answer.url;
  };
  try {
    await send();
  } catch {
    said.textContent = 'No network. Do not go on. Your colourist is told as soon as there is one; call if you can.';
    const again = setInterval(async () => {
      try {
        await send();
        clearInterval(again);
      } catch {
        /* still no network */
      }
    }, 3000);
  }
});
