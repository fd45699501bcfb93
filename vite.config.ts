import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vitest/config';
import { messages } from './resources/messages/vite.ts';

// The tests need no manifest, and the plugin that writes it refuses to run beside them where CI is set.
const manifest = process.env.VITEST
    ? []
    : [
          laravel({
              input: ['resources/js/app/early.ts', 'resources/js/app/main.tsx', 'resources/js/worker/worker.ts'],
              refresh: false,
          }),
      ];

interface Graph {
    getModuleInfo: (id: string) => { importedIds: string[]; isEntry: boolean } | null;
}

/** What a chunk needs before it runs. */
function needs(id: string, graph: Graph, all: Set<string>): Set<string> {
    if (all.has(id)) return all;
    all.add(id);
    graph.getModuleInfo(id)?.importedIds.forEach((imported) => needs(imported, graph, all));
    return all;
}

const file = (path: string): string => fileURLToPath(new URL(`resources/js/${path}`, import.meta.url));

/**
 * What a job is shown with is one file, and not thirty: on a slow line each file costs the time of a round trip. What
 * every page has, and the list of jobs, is none of it.
 */
function ofEachJob(): (id: string, graph: Graph) => string | null {
    let ours: Set<string> | null = null;
    return (id, graph) => {
        if (ours === null) {
            const everywhere = new Set(
                ['app/main.tsx', 'app/early.ts', 'features/board/index.ts'].flatMap((path) => [
                    ...needs(file(path), graph, new Set()),
                ]),
            );
            const job = ['job', 'route'].flatMap((name) => [
                ...needs(file(`features/${name}/index.ts`), graph, new Set()),
            ]);
            ours = new Set(job.filter((one) => !everywhere.has(one)));
        }
        return ours.has(id) ? 'job' : null;
    };
}

export default defineConfig({
    build: {
        rolldownOptions: {
            output: { codeSplitting: { includeDependenciesRecursively: false, groups: [{ name: ofEachJob() }] } },
        },
    },
    plugins: [...manifest, messages(), react()],
    test: {
        include: ['resources/js/**/*.test.ts', 'resources/js/**/*.test.tsx'],
        environment: 'node',
        testTimeout: 60000,
    },
});
