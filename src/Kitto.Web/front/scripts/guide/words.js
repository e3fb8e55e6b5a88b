// What scripts say: the English sentence is the key, the page brings the words of its own language.
import { $ } from '../dom.js';

const words = JSON.parse(globalThis.document?.querySelector?.('#words')?.textContent ?? '{}');

/** A sentence in the page's language, with what stands in its gaps. */
export const say = (sentence, ...gaps) => (words[sentence] ?? sentence).replace(/\{(\d)\}/g, (_, i) => gaps[i]);

/** The page's language as the phone's own speech and dates know it. */
export const language = () => ({ en: 'en-GB', nb: 'nb-NO' })[document.documentElement.lang] ?? document.documentElement.lang;

/** Puts words where they are not already, so that nothing is read out twice. */
export function put(selector, text) {
  const place = $(selector);
  if (place && place.textContent !== text) place.textContent = text;
}
