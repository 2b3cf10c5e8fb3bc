import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['web/api/schema.d.ts', 'public', 'vendor', 'build', 'var'] },
  ...tseslint.configs.strict,
  { files: ['web/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
  { rules: { '@typescript-eslint/no-non-null-assertion': 'error', eqeqeq: 'error' } },
);
