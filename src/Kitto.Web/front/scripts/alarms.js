// A stop reaches every page of the studio at once: a mark in the bar, until somebody has put the kit away. Only the page that is looked at listens.
import { $ } from './dom.js';

/** What the mark says; empty where no kit is stopped. */
export const says = alarms => (alarms.length === 0 ? '' : alarms.length === 1 ? `Stopped: ${alarms[0].client}` : `${alarms.length} kits are stopped`);

export default function listen() {
  const mark = $('#alarm-mark');
  if (!mark || !('EventSource' in window)) return;
  let source = null;
  const open = () => {
    source?.close();
    source = null;
    if (document.hidden) return;
    source = new EventSource('/alarms');
    source.addEventListener('alarms', event => {
      const alarms = JSON.parse(event.data);
      const words = says(alarms);
      if (mark.textContent !== words) mark.textContent = words;
      mark.hidden = words === '';
      mark.href = alarms.length === 1 ? '/kits/' + alarms[0].id : '/';
    });
  };
  document.addEventListener('visibilitychange', open);
  addEventListener('pagehide', () => source?.close());
  open();
}
