import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** Two minutes of processor time for what is seldom found, and most of it by others: looked at before a release (bin/test --thorough). */
const SLOW = {
  '@typescript-eslint/no-deprecated': 'off',
  '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
  '@typescript-eslint/no-unsafe-enum-assignment': 'off',
}
const isThorough = process.env.WELKION_THOROUGH !== undefined

export default tseslint.config(
    { linterOptions: { reportUnusedDisableDirectives: isThorough ? 'warn' : 'off' } },
  { ignores: ['resources/js/lib/api/schema.d.ts', 'public', 'vendor', 'var'] },
    js.configs.recommended,
    tseslint.configs.strictTypeChecked,
    tseslint.configs.stylisticTypeChecked,
    {
        languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
        rules: {
            ...(isThorough ? {} : SLOW),
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
        },
    },
    {
        // What React asks for is worked out by its compiler, file by file, and that takes long: only where there is React.
        files: ['resources/js/**/*.tsx', 'resources/js/**/use*.ts'],
        plugins: { 'react-hooks': hooks },
        rules: hooks.configs['recommended-latest'].rules,
    },
)
