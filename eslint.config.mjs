import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

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
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/keep.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
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
    files: ['src/core/pull/**', 'src/core/press/**', 'src/core/flattening/**'],
    rules: { 'max-lines-per-function': 'off', 'max-params': 'off' },
  },
);
