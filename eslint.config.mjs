import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['.next/', 'node_modules/', 'test-results/', 'next-env.d.ts', '**/*.cjs', 'postcss.config.mjs'] },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.tsx', 'src/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  { files: ['src/**/*.tsx'], ...a11y.flatConfigs.recommended },
  { rules: { 'no-console': 'off', eqeqeq: 'error', 'prefer-const': 'error' } },
);
