import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

const browserNames = Object.keys(globals.browser).filter(
  (name) => !(name in globals.es2025) && !['console', 'performance', 'structuredClone'].includes(name),
);

export default ts.config(
  { ignores: ['dist', 'data', 'data-demo', 'core/schema/generated', '.cache'] },
  js.configs.recommended,
  ts.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-undef': 'off',
    },
  },
  { files: ['web/**/*.{ts,tsx}'], ...hooks.configs.flat.recommended },
  {
    // The science has no screen, no machine, no clock and no chance of its own.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'Buffer', ...browserNames],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seed in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Pass the time in.' },
      ],
    },
  },
);
