import js from '@eslint/js';
import globals from 'globals';

const rules = {
  'no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
  eqeqeq: ['error', 'always', { null: 'ignore' }],
  'prefer-const': 'error',
  'no-var': 'error',
};

export default [
  js.configs.recommended,
  { files: ['src/Kitto.Web/front/scripts/**/*.js'], languageOptions: { globals: globals.browser }, rules },
  // Browser tests hand functions over to the page.
  {
    files: ['tests/**/*.mjs', 'bench/**/*.mjs', 'tools/**/*.mjs', 'src/Kitto.Web/front/*.mjs'],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules,
  },
];
