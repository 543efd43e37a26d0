import js from '@eslint/js'
import a11y from 'eslint-plugin-jsx-a11y'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
    { ignores: ['dist', 'src/api/schema.ts'] },
    js.configs.recommended,
    ...ts.configs.recommended,
    a11y.flatConfigs.recommended,
    {
        files: ['src/**/*.{ts,tsx}'],
        plugins: { 'react-hooks': hooks },
        rules: { ...hooks.configs.recommended.rules, 'jsx-a11y/no-autofocus': 'off' },
    },
)
