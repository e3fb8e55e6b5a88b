// Makes what the browser gets, in wwwroot/lib: styles and scripts bundled and minified, Bootstrap from its Sass with what is used, fonts cut to what is written.
import { copyFileSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import * as sass from 'sass';
import subsetFont from 'subset-font';

const here = dirname(fileURLToPath(import.meta.url));
const web = join(here, '..');
const made = join(here, 'made');
const lib = join(web, 'wwwroot', 'lib');
for (const folder of [made, lib]) {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
}

const bootstrap = sass.compile(join(here, 'styles', 'bootstrap.scss'), {
  loadPaths: [join(web, 'node_modules')],
  quietDeps: true,
  silenceDeprecations: ['import'],
});
writeFileSync(join(made, 'bootstrap.css'), bootstrap.css);

// Each face in three cuts: what our own words are written in, the other letters of Western names, and the rest of the Latin ones.
const letters = (from, to) => Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join('');
const cuts = {
  core: ['latin', letters(0x20, 0x7e) + '\u00a0±²³µ·×–—‘’“”…−'],
  west: ['latin', letters(0xa1, 0xff) + '€'],
  more: ['latin-ext', letters(0x100, 0x24f) + letters(0x1e00, 0x1eff)],
};
const faces = { 'atkinson-hyperlegible-next': { wght: { min: 400, max: 700 } }, 'bricolage-grotesque': { wght: 650 } };
for (const [face, variationAxes] of Object.entries(faces)) {
  for (const [cut, [from, text]] of Object.entries(cuts)) {
    const whole = readFileSync(join(web, 'node_modules', '@fontsource-variable', face, 'files', `${face}-${from}-wght-normal.woff2`));
    writeFileSync(join(made, `${face}-${cut}.woff2`), await subsetFont(whole, text, { targetFormat: 'woff2', variationAxes }));
  }
}

const shared = { bundle: true, minify: true, target: ['chrome109', 'firefox115', 'safari16.4'], outdir: lib, logLevel: 'warning' };
await build({
  ...shared,
  entryPoints: ['studio', 'guide'].map(name => join(here, 'styles', name + '.css')),
  loader: { '.woff2': 'file' },
  assetNames: 'fonts/[name]-[hash]',
});
await build({
  ...shared,
  entryPoints: ['studio', 'guide', 'bench', 'barcodes', 'card'].map(name => join(here, 'scripts', name + '.js')),
  format: 'esm',
  external: ['/lib/*'],
});
// What reads codes where the browser itself does not: fetched only when a camera is opened.
copyFileSync(join(web, 'node_modules', 'zxing-wasm', 'dist', 'reader', 'zxing_reader.wasm'), join(lib, 'zxing_reader.wasm'));
// The worker stands alone: older browsers know no modules there.
await build({ ...shared, entryPoints: [join(here, 'scripts', 'worker.js')], format: 'iife' });
