import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

const browserNames = Object.keys(globals.browser).filter(
  (name) => !(name in globals.es2025) && !['console', 'performance', 'structuredClone'].includes(name),
);

/** What only the run model says: it is formatted no finer than predictions are known. */
const PREDICTED = 'topSpeed|slipDistance|slipTime|launchThrust|launchGripNeeded|launchGripLimit|powerEndDistance|storedEnergy|turnsLeft';
const FINE = 'CallExpression[callee.name=/^(format|formatQuantity|formatNumber)$/] > MemberExpression.arguments:first-child';
const fine = (selector) => ({ selector: `${FINE}${selector}`, message: 'A predicted value: formatPredicted, or format.predicted.' });

/** Words that readers stumbled over, each with the one that is used. */
const WORDS = [
  [/\b(runs|groups) alike\b/, 'like runs'],
  [/\b(as|than|was) thought\b/, 'expected'],
  [/\bsuch cars\b/, 'cars built like this'],
  [/\bof (its|the|his) way\b/, 'of its distance'],
  [/\bput right\b/i, 'fix, repair'],
  [/\banew\b/, 'again, new'],
  [/\b(the|my) drawer\b/i, 'My parts'],
  [/\bletting back\b/i, 'unloading'],
  [/\b(what is|is) asked\b/, 'goal'],
  [/\bnot known (exactly|before)\b/, 'uncertainty'],
  [/\bwritten down\b(?!, the bad)/, 'saved'],
].flatMap(([words, use]) =>
  ['Literal[value=', 'TemplateElement[value.raw=', 'JSXText[value='].map((node) => ({
    selector: `${node}${words}]`,
    message: `Say: ${use}.`,
  })),
);
const SAID = [
  ...WORDS,
  fine(`[property.name=/^(${PREDICTED})$/]`),
  fine('[object.name=/^(result|prediction|profile|found|point)$/][property.name=/^(distance|time)$/]'),
];

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
  { files: ['{core,web,cli,server}/**/*.{ts,tsx}'], ignores: ['**/*.test.*'], rules: { 'no-restricted-syntax': ['error', ...SAID] } },
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
        ...SAID,
      ],
    },
  },
);
