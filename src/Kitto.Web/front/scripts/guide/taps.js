// A second tap within 400 ms is no tap: gloves bounce, and the button that was meant may have moved away under the finger.
const DEAF = 400;
const NEAR = 60;

/** Whether a tap is a bounce of the one before it: soon after it and close to it. */
export const bounces = (last, tap) => tap.at - last.at < DEAF && Math.hypot(tap.x - last.x, tap.y - last.y) < NEAR;

let last = { at: -Infinity, x: 0, y: 0, on: null };

globalThis.document?.addEventListener(
  'click',
  event => {
    // What a label passes on to its field, and keys, are no taps of their own. The stop button is never deaf.
    if (!event.isTrusted || event.detail === 0 || event.target.closest('#burns') || last.on?.contains(event.target)) return;
    const tap = { at: event.timeStamp, x: event.clientX, y: event.clientY, on: event.target.closest('label') };
    if (bounces(last, tap)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    last = tap;
  },
  true,
);
