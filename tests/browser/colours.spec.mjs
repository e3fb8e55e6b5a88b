// The engine's Lab, tristimulus values, sRGB and CIEDE2000 against a general colour library, on generated colours: half of them hair.
import { test, expect } from './help.mjs';
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { converter, differenceCiede2000, formatHex } from 'culori';
import { root } from './setup.mjs';

const count = 2000;

test('colours and differences agree with an independent library', () => {
  const out = execFileSync('dotnet', [join(root, 'bench/Kitto.Bench/bin/Release/net10.0/Kitto.Bench.dll'), 'colours', `${count}`], {
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  const ours = JSON.parse(out);
  expect(ours.length).toBe(count);
  const toLab = converter('lab65');
  const toRgb = converter('rgb');
  const difference = differenceCiede2000();
  const worst = { lab: 0, rgb: 0, difference: 0, hex: 0 };
  let before = null;
  for (const c of ours) {
    const [x, y, z] = c.xyz;
    const lab = toLab({ mode: 'xyz65', x, y, z });
    worst.lab = Math.max(worst.lab, ...[lab.l - c.lab[0], lab.a - c.lab[1], lab.b - c.lab[2]].map(Math.abs));
    const rgb = toRgb({ mode: 'lab65', l: c.lab[0], a: c.lab[1], b: c.lab[2] });
    const cut = [rgb.r, rgb.g, rgb.b].map(v => Math.min(1, Math.max(0, v)));
    worst.rgb = Math.max(worst.rgb, ...cut.map((v, i) => Math.abs(v - c.rgb[i])));
    const hex = formatHex({ mode: 'rgb', r: cut[0], g: cut[1], b: cut[2] });
    if (hex !== c.hex)
      worst.hex = Math.max(worst.hex, ...[1, 3, 5].map(i => Math.abs(parseInt(hex.slice(i, i + 2), 16) - parseInt(c.hex.slice(i, i + 2), 16))));
    const here = { mode: 'lab65', l: c.lab[0], a: c.lab[1], b: c.lab[2] };
    if (before) worst.difference = Math.max(worst.difference, Math.abs(difference(before, here) - c.difference));
    before = here;
  }
  console.log(
    `worst of ${count}: Lab ${worst.lab.toExponential(1)}, sRGB ${worst.rgb.toExponential(1)}, dE00 ${worst.difference.toExponential(1)}, hex digits ${worst.hex}`,
  );
  expect(worst.lab).toBeLessThan(1e-3);
  expect(worst.rgb).toBeLessThan(1e-4);
  expect(worst.difference).toBeLessThan(1e-3);
  expect(worst.hex).toBeLessThanOrEqual(1);
});
