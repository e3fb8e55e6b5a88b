// What was said and could not be sent: saved on this phone, in the order it was said, until it has gone. The worker saves it, pages send it.
const open = () =>
  new Promise((done, failed) => {
    const asked = indexedDB.open('kitto-unsent', 1);
    asked.onupgradeneeded = () => asked.result.createObjectStore('said', { keyPath: 'key', autoIncrement: true });
    asked.onsuccess = () => done(asked.result);
    asked.onerror = () => failed(asked.error);
  });

async function store(mode, work) {
  const db = await open();
  return new Promise((done, failed) => {
    const turn = db.transaction('said', mode);
    const asked = work(turn.objectStore('said'));
    turn.oncomplete = () => {
      db.close();
      done(asked.result);
    };
    turn.onerror = () => failed(turn.error);
  });
}

/** All that is not sent yet, oldest first. */
export const all = () => store('readonly', said => said.getAll());

/** Saves one: the address it goes to, its fields, and when it was said, by this phone's clock. Answers to the questions replace earlier ones that have not gone. */
export async function keep(action, fields) {
  if (handler(action) === ANSWERS) for (const item of (await all()).filter(i => i.action === action)) await drop(item.key);
  return store('readwrite', said => said.add({ action, fields, at: Date.now() }));
}

/** It has been sent, or is not to be. */
export const drop = key => store('readwrite', said => said.delete(key));

/** Does something that no other page of this phone may be doing at the same time; null where one is, unless it waits for its turn. */
export const alone = (what, work, { ifAvailable = true } = {}) =>
  navigator.locks ? navigator.locks.request(what, { ifAvailable }, lock => (lock ? work() : null)) : work();

const ANSWERS = 'Answers';

/** What an address is for: the name of its handler; the questions have one form. */
export function handler(action) {
  const { pathname, searchParams } = new URL(action, 'http://here');
  return searchParams.get('handler') ?? (pathname.startsWith('/ask/') ? ANSWERS : '');
}

const isPhoto = ([, value]) => value instanceof Blob;

/** What is said in a form, without the photos that come with it. */
export const words = fields => fields.filter(field => !isPhoto(field));

/** Whether a form comes with a photo. */
export const hasPhoto = fields => fields.some(field => isPhoto(field) && field[1].size > 0);

/** Whether the server could not take it at this moment: it is sent again later. */
export const busy = answer => answer.status >= 500 || answer.status === 429;

/** Sends fields as they are. */
export function post(action, fields, { patience, ...how } = {}) {
  const body = new FormData();
  for (const [name, value] of fields) body.append(name, value);
  return fetch(action, { method: 'POST', body, signal: patience ? AbortSignal.timeout(patience) : undefined, ...how });
}

/** Sends one; what the server could not take at this moment stays. The words go first: they wait for no photo, and a photo that is refused takes none of them with it. Sent twice it is one: each has an id of its own. */
export async function send(item) {
  let answer = await post(item.action, words(item.fields), { patience: 20_000 });
  if (answer.ok && hasPhoto(item.fields)) {
    const whole = await post(item.action, item.fields);
    if (whole.ok || busy(whole)) answer = whole;
  }
  if (busy(answer)) throw new Error(String(answer.status));
  await drop(item.key);
  return answer;
}
