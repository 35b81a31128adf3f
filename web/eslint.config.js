import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['**/api/schema.d.ts', '**/node_modules/**', '**/obj/**', '**/bin/**'] },
  ...ts.configs.recommended,
  hooks.configs.flat.recommended,
  { rules: { 'max-len': ['error', { code: 150 }] } },
);
