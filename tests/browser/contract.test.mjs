// The documents of the contract against the schemas that ship, through the console: no browser, no server. Run by node.
import { spawnSync } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { test } from 'node:test';
import assert from 'node:assert/strict';
import { fileURLToPath } from 'node:url';
import Ajv from 'ajv';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const read = name => JSON.parse(readFileSync(join(root, name), 'utf8'));
const ajv = new Ajv({ strict: false, formats: { date: /^\d{4}-\d\d-\d\d$/ } });
const isCase = ajv.compile(read('docs/formats/case-1.schema.json'));
const isAnswer = ajv.compile(read('docs/formats/prescription-1.schema.json'));
const isLine = ajv.compile(read('docs/formats/line-1.schema.json'));
const example = read('docs/formats/example-case.json');
const console_ = (input, ...how) => spawnSync(join(root, 'kitto'), ['prescribe', ...how, '-'], { input, encoding: 'utf8', maxBuffer: 1 << 28 });
/** The answers to many cases, from one run of the console. */
const all = cases =>
  console_(cases.map(c => JSON.stringify(c)).join('\n') + '\n', '--many')
    .stdout.trim()
    .split('\n')
    .map(line => JSON.parse(line));
const withFact = (path, value) => {
  const copy = structuredClone(example);
  const steps = path.split('.');
  const last = steps.pop();
  const at = steps.reduce((o, s) => (o[s] ??= {}), copy);
  if (value === undefined) delete at[last];
  else at[last] = value;
  return copy;
};

test('every line of the catalogue fits its schema', () => {
  for (const file of readdirSync(join(root, 'data/catalogue'))) assert.ok(isLine(read('data/catalogue/' + file)), `${file}: ${ajv.errorsText(isLine.errors)}`);
});

const accepted = [
  ['the example', 'goal.service', 'rootTouchUp', 'kit'],
  ...['rootAndRefresh', 'gloss', 'rootAndGloss', 'rootShadow', 'baseLift', 'greyBlend'].map(s => [s, 'goal.service', s, 'kit']),
  ['lighten', 'goal.service', 'lighten', 'salon'],
  ['a reaction', 'client.reactions', true, 'stop'],
  ['fifteen years', 'client.ageYears', 15, 'stop'],
  [
    'henna of last year on the timeline',
    'hair.lengths.timeline',
    [
      { what: 'henna', daysAgo: 300 },
      { what: 'permanent', daysAgo: 60 },
    ],
    'stop',
  ],
  ['henna of ten years ago on the timeline', 'hair.lengths.timeline', [{ what: 'henna', daysAgo: 3650 }], 'kit'],
  ['metal on the hair', 'hair.lengths.history', 'metallic', 'stop'],
  ['a plan', 'plan', { today: '2027-03-01', wantBy: '2027-03-20', postDays: ['tuesday', 'friday'], transitDays: 2 }, 'kit'],
  ['a plan that cannot be', 'plan', { today: '2027-03-01', wantBy: '2027-03-02', postDays: ['tuesday'], transitDays: 2 }, 'kit'],
];
const answers = all(accepted.map(([, path, value]) => withFact(path, value)));
for (const [i, [what, path, value, decision]] of accepted.entries()) {
  test(`${what}: case and answer fit their schemas, decision ${decision}`, () => {
    assert.ok(isCase(withFact(path, value)), ajv.errorsText(isCase.errors));
    assert.ok(isAnswer(answers[i]), ajv.errorsText(isAnswer.errors));
    assert.equal(answers[i].decision, decision);
  });
}

test('what the schema refuses, the console refuses with the same field and its range', () => {
  const refused = [
    ['client.ageYears', 121],
    ['hair.naturalLevel', 5.25],
    ['allZones.greyPercent', 101],
    ['zones.leftTemple.regrowthMm', 301],
    ['goal.service', 'shave'],
    ['goal.tone', 'AGV?'],
    ['hands.who', 'me'],
    ['house.schools', { SA1: 'off' }],
    ['colour', 1],
    ['client.scalp', 'itchy'],
    ['hair.lengths.history', 'tea'],
    ['hair.lengths.timeline', [{ what: 'tea', daysAgo: 3 }]],
    ['plan', { today: '2027-03-01' }],
    ['house.serviceLevel', 0.99],
  ];
  const errors = all(refused.map(([path, value]) => withFact(path, value)));
  assert.equal(errors.length, refused.length);
  for (const [i, [path, value]] of refused.entries()) {
    assert.ok(!isCase(withFact(path, value)), path);
    const { fields } = errors[i].error;
    assert.ok(
      fields.some(f => f.path.startsWith(path)),
      `${path}: ${JSON.stringify(fields)}`,
    );
    assert.ok(fields.every(f => f.range.length > 0));
  }
});

test('one case: exit 0 with the answer, exit 2 with the field that is wrong', () => {
  const good = console_(JSON.stringify(example));
  assert.equal(good.status, 0);
  assert.deepEqual(JSON.parse(good.stdout), answers[0]);
  const bad = console_(JSON.stringify(withFact('client.ageYears', 121)));
  assert.equal(bad.status, 2);
  assert.equal(JSON.parse(bad.stdout).error.fields[0].path, 'client.ageYears');
});

test('the console answers at once, start-up included', () => {
  const times = Array.from({ length: 5 }, () => {
    const from = performance.now();
    console_(JSON.stringify(example));
    return performance.now() - from;
  }).sort((a, b) => a - b);
  // 0.6 to 1.2 s were seen on two slow cores with nothing else on them.
  assert.ok(times[0] < 2000, `${times[0]} ms`);
});
