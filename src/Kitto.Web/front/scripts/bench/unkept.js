// What was poured and is not kept by the server yet: it stays here, whatever becomes of the page, and is sent until it is.
const key = kit => 'kitto-bench-' + kit;

/** Pours that wait, oldest first. */
export function waiting(kit, store = localStorage) {
  try {
    return JSON.parse(store.getItem(key(kit)) ?? '[]');
  } catch {
    return [];
  }
}

export function wait(kit, pour, store = localStorage) {
  store.setItem(key(kit), JSON.stringify([...waiting(kit, store).filter(p => p.Event !== pour.Event), pour]));
}

export function kept(kit, id, store = localStorage) {
  const rest = waiting(kit, store).filter(p => p.Event !== id);
  if (rest.length === 0) store.removeItem(key(kit));
  else store.setItem(key(kit), JSON.stringify(rest));
}
