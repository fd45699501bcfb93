import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vitest/config';
import { messages } from './resources/messages/vite.ts';

// The tests need no manifest, and the plugin that writes it refuses to run beside them where CI is set.
const manifest = process.env.VITEST
    ? []
    : [laravel({ input: ['resources/js/app/main.tsx', 'resources/js/worker/worker.ts'], refresh: false })];

export default defineConfig({
    plugins: [...manifest, messages(), react()],
    test: {
        include: ['resources/js/**/*.test.ts', 'resources/js/**/*.test.tsx'],
        environment: 'node',
        testTimeout: 60000,
    },
});
