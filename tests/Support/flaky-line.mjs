// A line that goes wrong: stands between a browser and the server, and does to calls of the API what a bad network and a restarted server do.
// node flaky-line.mjs PORT SERVER_PORT; POST /flaky-line {"seed": 7, "share": 0.5} makes it go wrong from here on, {"share": 0} heals it,
// {"silent": 1} loses every call of the API, {"version": "x"} makes the worker another one, as an update of the application does,
// {"cut": 1} cuts it off whole, pages and all, until it is told anything else.
import http from 'node:http';

const [port, serverPort] = process.argv.slice(2).map(Number);
const agent = new http.Agent({ keepAlive: true });
let share = 0;
let seed = 1;
let cut = 0;
let silent = 0;
let version = '';

// mulberry32: the same seed, the same mishaps
const chance = () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};

const forward = (asked, body, answered, failed) => {
    const call = http.request(
        { port: serverPort, host: '127.0.0.1', path: asked.url, method: asked.method, headers: asked.headers, agent },
        (answer) => {
            const parts = [];
            answer.on('data', (part) => parts.push(part));
            answer.on('end', () => answered(answer, Buffer.concat(parts)));
        },
    );
    call.on('error', failed);
    call.end(body);
};

const mishaps = {
    // It never reaches the server.
    lost: ({ response }) => response.destroy(),
    // The server carries it out, and nobody hears of it.
    unanswered: ({ asked, body, response }) =>
        forward(
            asked,
            body,
            () => response.destroy(),
            () => response.destroy(),
        ),
    // It comes late, in order or out of it.
    late: (call) => setTimeout(() => pass(call), 50 + chance() * 1500),
    // Half of the answer comes.
    cut: ({ asked, body, response }) =>
        forward(
            asked,
            body,
            (answer, whole) => {
                response.writeHead(answer.statusCode, answer.headers);
                response.write(whole.subarray(0, whole.length / 2), () => response.destroy());
            },
            () => response.destroy(),
        ),
    // A server that stands before the one that is being started.
    restart: ({ response }) => response.writeHead(502, { 'Content-Type': 'text/html' }).end('<html>'),
};

const pass = ({ asked, body, response }) => {
    // Read as text, the worker must not come compressed.
    if (version) delete asked.headers['accept-encoding'];
    forward(
        asked,
        body,
        (answer, whole) => {
            const { 'content-length': _, ...headers } = answer.headers;
            response.writeHead(answer.statusCode, headers).end(asked.url === '/worker.js' ? updated(whole) : whole);
        },
        () => response.destroy(),
    );
};

const updated = (worker) => (version ? worker.toString().replace(/"version":"[^"]*"/, `"version":"${version}"`) : worker);

http.createServer((asked, response) => {
    const parts = [];
    asked.on('data', (part) => parts.push(part));
    asked.on('error', () => undefined);
    asked.on('end', () => {
        const body = Buffer.concat(parts);
        if (asked.url === '/flaky-line') {
            const told = JSON.parse(body.toString());
            ({ share = 0, seed = 1, cut = 0, silent = 0 } = told);
            version = told.version ?? version;
            response.writeHead(204).end();
            return;
        }
        if (cut || (silent && asked.url.startsWith('/api/'))) {
            response.destroy();
            return;
        }
        const call = { asked, body, response };
        const kinds = Object.values(mishaps);
        if (asked.url.startsWith('/api/') && chance() < share) kinds[Math.floor(chance() * kinds.length)](call);
        else pass(call);
    });
}).listen(port, '127.0.0.1');
