// A stand-in for a browser's push service: takes pushes on loopback as a real one does (RFC 8030), checks who signed them (RFC 8292),
// and opens them with the phone's own key (RFC 8291) by a library that shares nothing with the application's.
import { createECDH, createPublicKey, randomBytes, verify } from 'node:crypto';
import { createServer } from 'node:http';
import ece from 'http_ece';

const json = part => JSON.parse(Buffer.from(part, 'base64url').toString());

/** What is wrong with the signature of a push; null: nothing. */
function wrongWith(authorization, origin) {
  const [, t, k] = /^vapid t=([^,]+),\s*k=(\S+)$/i.exec(authorization ?? '') ?? [];
  if (!t) return 'no VAPID authorization';
  const [head, claims, signature] = t.split('.');
  const point = Buffer.from(k, 'base64url');
  const key = createPublicKey({
    key: { kty: 'EC', crv: 'P-256', x: point.subarray(1, 33).toString('base64url'), y: point.subarray(33).toString('base64url') },
    format: 'jwk',
  });
  const { aud, exp, sub } = json(claims);
  if (!verify('sha256', Buffer.from(`${head}.${claims}`), { key, dsaEncoding: 'ieee-p1363' }, Buffer.from(signature, 'base64url')))
    return 'the signature is not of that key';
  // The application's library leaves a port out; real services are on the usual one.
  if (aud !== origin.replace(/:\d+$/, '')) return `signed for ${aud}`;
  if (exp * 1000 < Date.now() || exp * 1000 > Date.now() + 86_400_000) return 'expires too late, or did already';
  return /^(mailto|https):/.test(sub) ? null : `nobody to write to: ${sub}`;
}

/** Starts one. `subscribe()` gives a phone its address and keys; `pushes` holds what came, opened. */
export async function pushService() {
  const phones = new Map();
  const pushes = [];
  const server = createServer((request, answer) => {
    const body = [];
    request.on('data', part => body.push(part));
    request.on('end', () => {
      const phone = phones.get(request.url);
      const wrong = wrongWith(request.headers.authorization, `http://127.0.0.1:${server.address().port}`);
      if (!phone || wrong) {
        answer.writeHead(phone ? 403 : 404).end(wrong ?? '');
        return;
      }
      const opened = ece.decrypt(Buffer.concat(body), { version: 'aes128gcm', privateKey: phone.key, authSecret: phone.auth });
      pushes.push({ ...JSON.parse(opened.toString()), ttl: Number(request.headers.ttl), urgency: request.headers.urgency });
      answer.writeHead(201, { location: request.url }).end();
    });
  });
  await new Promise(done => server.listen(0, '127.0.0.1', done));
  const url = `http://127.0.0.1:${server.address().port}`;
  return {
    url,
    pushes,
    subscribe() {
      const key = createECDH('prime256v1');
      key.generateKeys();
      const [path, auth] = ['/send/' + randomBytes(12).toString('hex'), randomBytes(16)];
      phones.set(path, { key, auth: auth.toString('base64url') });
      return { endpoint: url + path, p256dh: key.getPublicKey('base64url'), auth: auth.toString('base64url') };
    },
    close: () => new Promise(done => server.close(done)),
  };
}
