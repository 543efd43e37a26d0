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
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            ...hooks.configs.recommended.rules,
            'react-hooks/exhaustive-deps': 'error',
            'jsx-a11y/no-autofocus': 'off',
            // A promise that nobody waits for says so; what it refuses is never lost by accident.
            '@typescript-eslint/no-floating-promises': 'error',
            '@typescript-eslint/no-misused-promises': 'error',
        },
    },
)
