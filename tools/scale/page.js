// The hand: holding the tube pours, letting go stops.
const $ = selector => document.querySelector(selector);
const tell = what => fetch('/do', { method: 'POST', body: JSON.stringify(what) }).then(answer => answer.json().then(draw));
const speed = () => Number($('#tilt').value);

function draw(state) {
  const full = Math.min(1, state.inside / 150);
  $('#fill').setAttribute('y', 206 - full * 74);
  $('#fill').setAttribute('height', full * 74);
  $('#bowl').style.visibility = state.vessel > 0 ? 'visible' : 'hidden';
  $('#stream').style.strokeWidth = state.pouring > 0 ? Math.max(2, state.pouring / 4) : 0;
  $('#tube-body').setAttribute('transform', state.pouring > 0 ? `rotate(${-6 - state.pouring / 3} 300 44)` : '');
}
const pour = () => tell({ kind: 'pour', speed: speed() });
const stop = () => tell({ kind: 'stop' });
$('#tube').addEventListener('pointerdown', pour);
addEventListener('pointerup', stop);
addEventListener('keydown', event => {
  if (event.key !== ' ' || event.repeat || event.target.closest('button')) return;
  event.preventDefault();
  pour();
});
addEventListener('keyup', event => {
  if (event.key === ' ') stop();
});
$('#tilt').addEventListener('input', () => {
  $('#speed').textContent = `${speed()} g a second`;
});
for (const button of document.querySelectorAll('[data-do]')) button.addEventListener('click', () => tell({ kind: button.dataset.do }));
new EventSource('/lines').addEventListener('message', event => {
  $('#shown').textContent = /[+-]?\s*\d[\d. ]*[a-z]*/.exec(event.data)?.[0].replaceAll(' ', '') ?? event.data.trim();
});
setInterval(() => fetch('/state').then(answer => answer.json().then(draw)), 200);
