// What a browser loads of script before it shows anything, compressed as it is served: the entry and what it imports. Fails over 130 kB.
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const MOST = 130_000;
const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8'));
const first = new Set();
const add = (key) => {
    if (first.has(key)) return;
    first.add(key);
    (manifest[key].imports ?? []).forEach(add);
};
add('resources/js/app/main.tsx');
const bytes = [...first].map((key) => gzipSync(readFileSync(`public/build/${manifest[key].file}`), { level: 9 }).length);
const sum = bytes.reduce((a, b) => a + b, 0);
console.log(`${(sum / 1000).toFixed(1)} kB in ${bytes.length} files`);
process.exit(sum <= MOST ? 0 : 1);
