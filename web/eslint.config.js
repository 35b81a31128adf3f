import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

// What mocks were called with and what a server answered has no type in a test.
const UNTYPED = ['argument', 'assignment', 'call', 'member-access', 'return'];

export default ts.config(
  { ignores: ['**/api/schema.d.ts', '**/node_modules/**', '**/obj/**', '**/bin/**'] },
  ...ts.configs.recommended,
  // The rules of a compiler that the page is not built with would be half of all looking.
  { plugins: { 'react-hooks': hooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
  { rules: { 'max-len': ['error', { code: 150 }] } },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    // A key among known ones is named beside them for whoever reads it; promises as handlers of events are the rule of React 19.
    rules: {
      '@typescript-eslint/no-redundant-type-constituents': 'off',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  {
    files: ['**/tests/**', '**/bench/**'],
    rules: {
      ...Object.fromEntries(UNTYPED.map((what) => [`@typescript-eslint/no-unsafe-${what}`, 'off'])),
      '@typescript-eslint/require-await': 'off',
    },
  },
);
