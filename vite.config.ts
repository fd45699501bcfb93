import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    plugins: [laravel({ input: ['resources/js/app/main.tsx'], refresh: false }), react()],
    test: { include: ['resources/js/**/*.test.ts', 'resources/js/**/*.test.tsx'], environment: 'node', testTimeout: 60000 },
});
