import js from '@eslint/js';
import jsdoc from 'eslint-plugin-jsdoc';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const NAMES_OF_THE_CORE = [
  'MemberExpression[object.callee.name=/^(settingOf|formOf)$/][property.name=/^(label|help)$/]',
  'VariableDeclarator[init.callee.name=/^(settingOf|formOf)$/] > ObjectPattern > Property[key.name=/^(label|help)$/]',
].map((selector) => ({ selector, message: 'Ask messages/labels.ts for it.' }));

export default ts.config(
  { ignores: ['dist', 'node_modules', 'coverage', 'demo/media/scenes.js'] },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
  },
  { files: ['src/**/*.{ts,tsx}'], ...hooks.configs.flat['recommended-latest'] },
  { files: ['**/*.mjs'], languageOptions: { globals: { process: 'readonly', console: 'readonly' } } },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'max-params': ['error', 4],
      // Text is searched for control characters on purpose.
      'no-control-regex': 'off',
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'src/cli/**', 'src/server/main.ts', 'src/server/work.ts'],
    rules: { 'no-console': 'error' },
  },
  {
    // The core names its settings and code types in English; whoever shows a name asks for it in the language of the reader.
    files: ['src/app/**/*.ts', 'src/messages/*.ts', 'src/cli/*.ts'],
    ignores: ['**/*.test.ts', 'src/messages/labels.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NAMES_OF_THE_CORE] },
  },
  {
    // What people read is said through t() or rich(), so that every language has it. Units and names of formats are none.
    files: ['src/app/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...NAMES_OF_THE_CORE,
        { selector: 'JSXText[value=/[a-z]{3}/]', message: 'Say it with t() or rich().' },
        {
          selector:
            'JSXAttribute[name.name=/^(label|title|placeholder|alt|aria-label|words|helperText|nothing)$/] > Literal[value=/[A-Za-z]{3}.* |^[A-Z][a-z]+$/]',
          message: 'Say it with t().',
        },
      ],
    },
  },
  {
    // What leaves a file of the core says what it takes and gives.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          enableFixer: false,
          require: { FunctionDeclaration: true, ArrowFunctionExpression: true, ClassDeclaration: true },
          contexts: ['TSInterfaceDeclaration'],
        },
      ],
    },
  },
);
