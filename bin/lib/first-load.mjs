// What a browser loads of script before it shows anything, in Brotli as it is served: the entry, the jobs, and what they import. Fails over 118 kB.
import { readFileSync } from 'node:fs';

const MOST = 118_000;
const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8'));
const first = new Set();
const add = (key) => {
    if (first.has(key)) return;
    first.add(key);
    (manifest[key].imports ?? []).forEach(add);
};
add('resources/js/app/main.tsx');
add('resources/js/features/board/index.ts');
const bytes = [...first].map((key) => readFileSync(`public/build/${manifest[key].file}.br`).length);
const sum = bytes.reduce((a, b) => a + b, 0);
console.log(`${(sum / 1000).toFixed(1)} kB in ${bytes.length} files`);
process.exit(sum <= MOST ? 0 : 1);
