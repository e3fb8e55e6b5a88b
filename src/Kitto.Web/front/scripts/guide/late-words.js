// What is late, in words, to the second: worked out on the phone, so that it is right without a network, too.
import { say } from './words.js';

const MINUTE = 60_000;

/**
 * What the clock says now, and whether something has to be done at once. A part that has to come off goes before all; then the time that is up; then what is coming.
 * Moments in milliseconds of the server's clock; 0 where there is none.
 */
export function lateWords({ onHead, waiting, now, rinse, partAt, partZones, says, over }) {
  const said = (words, key = '', at = false) => ({ words, key, now: at });
  if (!onHead) return over ? said(say('The time is up. Go to the next step.')) : said('');
  if (partAt && now >= partAt)
    return said(say('Rinse your {0} now. Colour has been on there for the longest time allowed. Keep the rest of your hair dry.', partZones), 'part', true);
  if (waiting && rinse && now >= rinse) {
    const minutes = Math.floor((now - rinse) / MINUTE);
    return said(minutes < 1 ? say('Rinse now. The time is up.') : say('Rinse now. The time was up {0} min ago.', minutes), 'up', true);
  }
  if (partAt) {
    const later = rinse > partAt ? Math.round((rinse - partAt) / MINUTE) : 0;
    return said(
      say('In {0} min, rinse only your {1}. Keep the rest dry. Rinse everything else {2} min later.', Math.ceil((partAt - now) / MINUTE), partZones, later),
      'soon',
    );
  }
  if (says) return said(says, 'says');
  return over ? said(say('The time is up. Go to the next step.')) : said('');
}
