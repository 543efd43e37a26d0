import js from '@eslint/js'
import a11y from 'eslint-plugin-jsx-a11y'
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import { importX } from 'eslint-plugin-import-x'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
    { ignores: ['dist', 'src/api/schema.ts'] },
    js.configs.recommended,
    ...ts.configs.recommended,
    a11y.flatConfigs.recommended,
    {
        files: ['src/**/*.{ts,tsx}'],
        plugins: { 'react-hooks': hooks, 'import-x': importX },
        settings: {
            ...importX.flatConfigs.typescript.settings,
            'import-x/resolver-next': [createTypeScriptImportResolver()],
        },
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            ...hooks.configs.recommended.rules,
            'react-hooks/exhaustive-deps': 'error',
            'jsx-a11y/no-autofocus': 'off',
            // Files know each other one way round.
            'import-x/no-cycle': 'error',
            // A promise that nobody waits for says so; what it refuses is never lost by accident.
            '@typescript-eslint/no-floating-promises': 'error',
            '@typescript-eslint/no-misused-promises': 'error',
        },
    },
)
