// The two ways of finding things on a page.
export const $ = (selector, from = document) => from.querySelector(selector);
export const $$ = (selector, from = document) => [...from.querySelectorAll(selector)];
