// The simulated scale as a test has it: a process of its own, and a hand.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root, sql } from './help.mjs';
import { freePort } from './setup.mjs';

/** Starts one and tells the house of it; do(kind, grams, speed) is the hand, end() stops it. */
export async function startScale(...options) {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const process = spawn('node', [join(root, 'tools', 'scale', 'serve.mjs'), '--port', String(port), ...options], { stdio: 'ignore' });
  for (let i = 0; i < 100; i++) {
    try {
      if ((await fetch(address + '/state')).ok) break;
    } catch {
      await new Promise(resolve => setTimeout(resolve, 50));
    }
  }
  sql(`update studio set scale = '{"from":"stream","address":"${address}"}'`);
  return {
    address,
    do: async (kind, grams = 0, speed = 60) => {
      const answer = await fetch(address + '/do', { method: 'POST', body: JSON.stringify({ kind, grams, speed }) });
      if (!answer.ok) throw new Error(await answer.text());
      return answer.json();
    },
    end: () => process.kill(),
  };
}
