// The documents that are kept against the schemas that ship.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv';
import { test, expect, sql } from './help.mjs';
import { root } from './setup.mjs';

const ajv = new Ajv({ strict: false, formats: { date: /^\d{4}-\d\d-\d\d$/ } });
const isConsultation = ajv.compile(JSON.parse(readFileSync(join(root, 'docs/formats/consultation-1.schema.json'), 'utf8')));

test('the answers that are kept fit their schema', () => {
  const kept = JSON.parse(sql('select json_agg(document) from answers'));
  expect(kept.length).toBeGreaterThan(10);
  for (const told of kept) expect(isConsultation(told), ajv.errorsText(isConsultation.errors)).toBe(true);
});
