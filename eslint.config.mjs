import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Names that are no nouns for a value: a name says what the value is. */
const NO_NAMES = '/^(own|told|said|kept|held|thrown)$/';
/** Those that a document's field has too may be taken out of it under its name. */
const NO_FIELDS = '/^(own|told|said|thrown)$/';
const nouns = [
  `:matches(VariableDeclarator, FunctionDeclaration) > Identifier.id[name=${NO_NAMES}]`,
  `:function > Identifier.params[name=${NO_NAMES}]`,
  `:function > AssignmentPattern.params > Identifier.left[name=${NO_NAMES}]`,
  `ArrayPattern > Identifier[name=${NO_NAMES}]`,
  `ObjectPattern > Property[shorthand=false] > Identifier.value[name=${NO_NAMES}]`,
  `ObjectPattern > RestElement > Identifier[name=${NO_NAMES}]`,
  `ObjectPattern > Property[shorthand=true] > Identifier.value[name=${NO_FIELDS}]`,
].map((selector) => ({ selector, message: 'A value’s name is a noun that says what it is: pad, text, saved, figures.' }));

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'node_modules/',
      'test-results/',
      'dist/',
      'src/core/document/validator.js',
      'next-env.d.ts',
      '**/*.cjs',
      'postcss.config.mjs',
    ],
  },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.tsx', 'src/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  { files: ['src/**/*.tsx'], ...a11y.flatConfigs.recommended },
  { rules: { 'no-console': 'off', eqeqeq: 'error', 'prefer-const': 'error' } },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx', 'cli/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', 5],
    },
  },
  { files: ['**/*.ts', '**/*.tsx'], rules: { 'no-restricted-syntax': ['error', ...nouns] } },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/keep.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...nouns,
        // A function written in place could read what is around it, which the step does not declare: its answer would go stale.
        ...['callee.name', 'callee.property.name'].map((name) => ({
          selector: `CallExpression[${name}='keep'] > :matches(ArrowFunctionExpression, FunctionExpression)`,
          message: 'The work of a cached step is a function of its module, which sees its reads and nothing else.',
        })),
      ],
    },
  },
  // The solvers keep their loops in one place: what is taken apart there is an object for the garbage collector.
  {
    files: ['src/core/mechanics/section/**', 'src/core/mechanics/load/**', 'src/core/loaders/**', 'src/core/flattening/**'],
    rules: { 'max-lines-per-function': 'off', 'max-params': 'off' },
  },
);
