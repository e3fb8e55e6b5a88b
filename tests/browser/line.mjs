// A line between a phone and the application that can be cut: a real one, so that the page's worker feels it too.
import { connect, createServer } from 'node:net';

/** Opens one to the application; `cut()` drops all that goes through it and takes nothing, `mend()` lets through again. */
export async function line(to = process.env.KITTO_URL) {
  const { hostname, port } = new URL(to);
  const open = new Set();
  let whole = true;
  const server = createServer(socket => {
    if (!whole) {
      socket.destroy();
      return;
    }
    const on = connect(Number(port), hostname);
    for (const [one, other] of [
      [socket, on],
      [on, socket],
    ]) {
      open.add(one);
      one.on('error', () => {});
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
      one.pipe(other);
    }
  });
  await new Promise(done => server.listen(0, '127.0.0.1', done));
  const at = `http://127.0.0.1:${server.address().port}`;
  return {
    /** The same address as it is reached through the line. */
    through: url => url.replace(to, at),
    cut() {
      whole = false;
      for (const socket of open) socket.destroy();
    },
    mend() {
      whole = true;
    },
    close: () => new Promise(done => (server.close(done), open.forEach(s => s.destroy()))),
  };
}
