import { readdirSync } from 'node:fs';
import expo from 'eslint-config-expo/flat.js';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

/** The kinds of mark, by their folders. */
const kinds = readdirSync(new URL('core/src/kinds/', import.meta.url), { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name)
  .join('|');
const askingKind = `Only a kind's own rooms ask what kind a mark is; everything else goes by the table (core/kinds).`;

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      'app/dist/',
      'app/.expo/',
      'app/public/',
      'app/expo-env.d.ts',
      '.cache/',
      'server/data/',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...expo,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'no-console': ['error', { allow: ['warn', 'error'] }],
      'no-empty': 'error',
      eqeqeq: ['error', 'always'],
      // The compiler asks these too, and reads every file for it only once.
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/named': 'off',
      // `fc.record` says more than `record`.
      'import/no-named-as-default-member': 'off',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Core has no clock; it is passed in.' },
        { object: 'Math', property: 'random', message: 'Core has no randomness; pass it in.' },
      ],
    },
  },
  {
    files: ['{core/src,app/src,cli,server/src}/**/*.{ts,tsx}'],
    ignores: ['core/src/kinds/**', '**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: `BinaryExpression[operator=/^[!=]==?$/][left.property.name='kind'][right.value=/^(${kinds})$/]`,
          message: askingKind,
        },
        {
          selector: `SwitchStatement[discriminant.property.name='kind'] > SwitchCase[test.value=/^(${kinds})$/]`,
          message: askingKind,
        },
      ],
    },
  },
  {
    // Fonts are required so that the bundler ships them.
    files: ['app/src/ui/{fonts,faceFiles}.ts'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    // These print: it is what they are for.
    files: ['{bench,cli,demo,scripts,references,e2e}/**/*', 'server/src/main.ts', '**/*.mjs'],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.{mjs,cjs,js}'],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', __dirname: 'readonly' },
    },
  },
  prettier,
);
