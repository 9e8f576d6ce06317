import js from '@eslint/js';
import tseslint from 'typescript-eslint';
import { arrows } from './scripts/lint/arrows.js';

/** Engines may round these differently; `math/` has its own. Nothing in the library asks a clock or for chance. */
const ENGINE_MATH = [
  ...['sin', 'cos', 'tan', 'asin', 'acos', 'atan', 'atan2', 'sinh', 'cosh', 'tanh', 'asinh', 'acosh', 'atanh'],
  ...['exp', 'expm1', 'log', 'log2', 'log10', 'log1p', 'pow', 'hypot', 'cbrt', 'random'],
].map((property) => ({ object: 'Math', property, message: 'Engines differ in it: use math/, or add it there.' }));

export default tseslint.config(
  { ignores: ['**/dist/', '**/build/', '**/bundle/', '**/node_modules/', '.cache/'] },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/explicit-module-boundary-types': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      // Index loops make no iterator: frames must not.
      '@typescript-eslint/prefer-for-of': 'off',
      '@typescript-eslint/dot-notation': 'off',
      'no-restricted-syntax': ['error', { selector: 'ExportDefaultDeclaration', message: 'Export by name.' }],
    },
  },
  {
    files: ['packages/zesty-kite/src/**/*.ts'],
    plugins: { house: { rules: { arrows } } },
    rules: {
      'house/arrows': 'error',
      'no-restricted-properties': ['error', ...ENGINE_MATH],
      'no-restricted-globals': ['error', 'Date', 'performance', 'globalThis', 'window', 'document', 'navigator'],
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Export by name.' },
        {
          selector: ':matches(Program, Program > ExportNamedDeclaration) > VariableDeclaration[kind!="const"]',
          message: 'No state in a module: hand it on, or keep it in a class.',
        },
        {
          selector:
            'Program > ExportNamedDeclaration > VariableDeclaration > VariableDeclarator[id.name!=/^[A-Z_]+$/] > NewExpression[callee.name=/^(Scratch|Solved|Cell|Float64Array|Map|Set)/]',
          message: 'Scratch is private to its file: results go into what the caller hands over.',
        },
        { selector: "BinaryExpression[operator='**']", message: 'Engines differ in it: use math/.' },
        { selector: "AssignmentExpression[operator='**=']", message: 'Engines differ in it: use math/.' },
      ],
    },
  },
  {
    // Small programs of one page: their elements are there.
    files: ['packages/zesty-kite-cli/templates/*.ts', 'examples/programs/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['examples/programs/pageWorker.js'],
    languageOptions: { globals: { addEventListener: 'readonly', requestAnimationFrame: 'readonly', self: 'readonly' } },
  },
  {
    files: ['packages/zesty-kite-cli/src/**/*.ts'],
    ignores: ['**/read/inputs.ts', '**/write/wholeFile.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'node:fs/promises', message: 'Read through read/inputs.ts: what is read is not written over.' },
            {
              name: 'node:fs',
              importNames: ['open', 'openSync', 'createReadStream', 'readFile', 'createWriteStream', 'writeFile'],
              message: 'Read through read/inputs.ts, write through write/wholeFile.ts.',
            },
          ],
        },
      ],
    },
  },
  {
    // The type of a schema is what its parts make of it.
    files: ['packages/zesty-kite/src/settings/values.ts'],
    rules: { '@typescript-eslint/explicit-module-boundary-types': 'off' },
  },
  {
    files: ['examples/test/*.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        {
          property: 'waitForTimeout',
          message: 'Wait for frames() or for a fact; lasts() is for time that is a part of the input.',
        },
      ],
    },
  },
  {
    files: ['**/test/**/*.ts', '**/*.d.ts'],
    rules: {
      // Matchers and callbacks of the test tools read better without these.
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/restrict-template-expressions': 'off',
    },
  },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: {
      globals: Object.fromEntries(
        ['process', 'console', 'URL', 'Buffer', 'globalThis', 'setTimeout', 'document', 'requestAnimationFrame'].map(
          (name) => [name, 'readonly'],
        ),
      ),
    },
  },
);
