// Serves the simulated scale on loopback: /lines is what it writes, ten lines a second; / is the scale drawn, with a hand to pour.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { Scale, lineForms } from './model.mjs';

const here = dirname(fileURLToPath(import.meta.url));
const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '5291' },
    seed: { type: 'string', default: '1' },
    step: { type: 'string', default: '0.1' },
    form: { type: 'string', default: lineForms[0] },
    settle: { type: 'string', default: '0.18' },
  },
});
const port = Number(values.port);
const step = Number(values.step);
if (!(port >= 1024 && port <= 65535)) fail('--port wants a number, 1024 to 65535');
if (!(step >= 0.01 && step <= 5)) fail('--step wants grams, 0.01 to 5');
if (!lineForms.includes(values.form)) fail(`--form wants one of: ${lineForms.join(', ')}`);

function fail(why) {
  console.error(`kitto: ${why}`);
  process.exit(2);
}

const settle = Number(values.settle);
if (!(settle >= 0.01 && settle <= 5)) fail('--settle wants seconds, 0.01 to 5');

const scale = new Scale({ seed: Number(values.seed) || 1, step, form: values.form, settle });
const listeners = new Set();
const rate = 10;
let before = performance.now();
setInterval(() => {
  const now = performance.now();
  scale.pass(Math.min(1, (now - before) / 1000));
  before = now;
  const line = scale.line();
  if (line === null) return;
  const at = Date.now();
  for (const listener of listeners) listener.write(`id: ${at}\ndata: ${line}\n\n`);
}, 1000 / rate);

const files = { '/': ['page.html', 'text/html'], '/page.js': ['page.js', 'text/javascript'], '/page.css': ['page.css', 'text/css'] };
createServer((request, response) => {
  const path = new URL(request.url, 'http://x').pathname;
  if (request.method === 'GET' && path === '/lines') {
    // Any page of this machine may read the scale; only its own may pour.
    response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'Access-Control-Allow-Origin': '*' });
    response.write(':\n\n');
    listeners.add(response);
    request.on('close', () => listeners.delete(response));
  } else if (request.method === 'GET' && path === '/state') {
    response.writeHead(200, { 'Content-Type': 'application/json' }).end(JSON.stringify(scale.state()));
  } else if (request.method === 'POST' && path === '/do') {
    let body = '';
    request.on('data', piece => {
      body += piece;
      if (body.length > 1000) request.destroy();
    });
    request.on('end', () => {
      try {
        response.writeHead(200, { 'Content-Type': 'application/json' }).end(JSON.stringify(scale.do(JSON.parse(body))));
      } catch (wrong) {
        response.writeHead(400, { 'Content-Type': 'text/plain' }).end(wrong.message);
      }
    });
  } else if (request.method === 'GET' && files[path]) {
    response.writeHead(200, { 'Content-Type': files[path][1] + '; charset=utf-8' }).end(readFileSync(join(here, files[path][0])));
  } else {
    response.writeHead(404).end();
  }
}).listen(port, '127.0.0.1', () => console.log(`The simulated scale is at http://127.0.0.1:${port}; in House, “Scale”, choose it and give that address.`));
