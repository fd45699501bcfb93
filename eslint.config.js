import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/js/api/schema.generated.ts'] },
    js.configs.recommended,
    ...tseslint.configs.recommendedTypeChecked,
    { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
    {
        plugins: { 'react-hooks': hooks },
        rules: {
            'react-hooks/rules-of-hooks': 'error',
            'react-hooks/exhaustive-deps': 'error',
            // A component or function does one thing.
            'max-lines-per-function': ['error', { max: 90 }],
            '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
        },
    },
    // What a test describes is a list.
    { files: ['**/*.test.ts', '**/*.test.tsx'], rules: { 'max-lines-per-function': 'off' } },
    // Drawings, from what lies at the back to what lies in front: each is one list of shapes.
    {
        files: [
            'resources/js/drawing/hang/StringLine.tsx',
            'resources/js/drawing/house/HouseIso.tsx',
            'resources/js/drawing/iso/Isometric.tsx',
            'resources/js/drawing/joint/jointShapes.ts',
            'resources/js/drawing/trap/ArmSection.tsx',
            'resources/js/drawing/way/WayLine.tsx',
        ],
        rules: { 'max-lines-per-function': 'off' },
    },
);
