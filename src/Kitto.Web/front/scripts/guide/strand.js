// The strand test has a timer of its own: a first look, then one every few minutes, and a latest end. It survives a reload and needs no network.
import { $ } from '../dom.js';
import { awake, ring } from './felt.js';
import { clock } from './times.js';
import { say } from './words.js';

/** What the timer of a strand says: what comes next, in how many seconds, and whether to look or to rinse now. */
export function strandTimer(minutes, { look, every, latest }) {
  if (minutes >= latest) return { now: 'rinse', seconds: 0 };
  const looks = [];
  for (let at = look; at < latest; at += every) looks.push(at);
  const next = looks.find(at => at > minutes) ?? latest;
  const due = looks.findLast(at => at <= minutes);
  return { now: due !== undefined && minutes - due < 1.5 ? 'look' : 'wait', next: next === latest ? 'rinse' : 'look', seconds: (next - minutes) * 60, due };
}

const box = globalThis.document && $('#strand-timer');
const key = box && 'kitto-strand-' + box.dataset.kit;

function tick() {
  const begun = Number(localStorage.getItem(key) ?? 0);
  const until = $('#strand-until');
  until.hidden = !begun;
  $('#strand-start').hidden = !!begun;
  $('#strand-stop').hidden = !begun;
  if (!begun) return;
  const minutes = (Date.now() - begun) / 60_000;
  const plan = { look: Number(box.dataset.look), every: Number(box.dataset.every), latest: Number(box.dataset.latest) };
  const at = strandTimer(minutes, plan);
  ring('strand-' + begun + '-' + (at.next === 'rinse' || at.now === 'rinse' ? 'end' : Math.ceil(minutes / plan.every)), at.seconds);
  $('b', until).textContent = clock(at.seconds);
  $('span', until).textContent = at.next === 'rinse' ? say('until you rinse the strand') : say('until you look at the strand');
  until.hidden = at.now === 'rinse';
  const says =
    at.now === 'rinse'
      ? say('Rinse the strand now. {0} minutes are over.', Math.floor(minutes))
      : at.now === 'look'
        ? say('Look at the strand now: {0} minutes.', Math.floor(minutes))
        : '';
  if ($('#strand-says').textContent !== says) $('#strand-says').textContent = says;
}

if (box) {
  $('#strand-start').addEventListener('click', () => {
    localStorage.setItem(key, Date.now());
    awake();
    tick();
  });
  $('#strand-stop').addEventListener('click', () => {
    const minutes = Math.round((Date.now() - Number(localStorage.getItem(key))) / 60_000);
    if (minutes >= 1 && minutes <= 120 && !$('#strand-minutes').value) $('#strand-minutes').value = minutes;
    localStorage.removeItem(key);
    $('#strand-says').textContent = '';
    tick();
  });
  tick();
  setInterval(tick, 1000);
}
