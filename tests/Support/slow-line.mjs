// A slow line: stands between a browser and the server, and lets through what a weak signal does, both ways, all connections together.
// node slow-line.mjs PORT SERVER_PORT KBIT_PER_S ROUND_TRIP_MS CONTROL_PORT; a call of CONTROL_PORT answers the bytes that passed
// since the last one: {"up": …, "down": …}.
import http from 'node:http';
import net from 'node:net';

const [port, serverPort, kbit, roundTripMs, controlPort] = process.argv.slice(2).map(Number);
const PACKET = 1400;
const WAITS_AT_MOST = 32_000;
const passed = { up: 0, down: 0 };

// One direction: packets of all connections in turn, as fast as the line is, each half a round trip later.
const lane = (way) => {
    const queues = [];
    let isBusy = false;
    const next = () => {
        const queue = queues.shift();
        if (!queue) {
            isBusy = false;
            return;
        }
        isBusy = true;
        const packet = queue.bytes.subarray(0, PACKET);
        queue.bytes = queue.bytes.subarray(packet.length);
        if (queue.bytes.length > 0) queues.push(queue);
        else queue.isQueued = false;
        if (queue.bytes.length < WAITS_AT_MOST) queue.from.resume();
        passed[way] += packet.length;
        const takesMs = (packet.length * 8) / kbit;
        setTimeout(() => {
            setTimeout(() => queue.to.writable && queue.to.write(packet), roundTripMs / 2);
            next();
        }, takesMs);
    };
    return (from, to) => {
        const queue = { from, to, bytes: Buffer.alloc(0), isQueued: false };
        from.on('data', (data) => {
            queue.bytes = Buffer.concat([queue.bytes, data]);
            if (queue.bytes.length >= WAITS_AT_MOST) from.pause();
            if (!queue.isQueued) {
                queue.isQueued = true;
                queues.push(queue);
            }
            if (!isBusy) next();
        });
        const close = () => (queue.isQueued ? setTimeout(close, 20) : setTimeout(() => to.end(), roundTripMs / 2 + 20));
        from.on('end', close);
        from.on('error', () => to.destroy());
    };
};
const [up, down] = [lane('up'), lane('down')];

net.createServer((browser) => {
    browser.setNoDelay(true);
    const server = net.connect({ port: serverPort, host: '127.0.0.1' });
    server.setNoDelay(true);
    server.on('error', () => browser.destroy());
    browser.on('error', () => server.destroy());
    browser.on('close', () => server.destroy());
    down(server, browser);
    // A connection is there one round trip after it was asked for.
    browser.pause();
    setTimeout(() => {
        up(browser, server);
        browser.resume();
    }, roundTripMs);
}).listen(port, '127.0.0.1');

http.createServer((_, response) => {
    response.end(JSON.stringify(passed));
    passed.up = 0;
    passed.down = 0;
}).listen(controlPort, '127.0.0.1');
