<?php

declare(strict_types=1);

// Says over HTTP whether a node of a Galera cluster takes writes, for a load balancer: 200, or 503 with what it does.
// php galera-check.php PORT SOCKET USER PASSWORD [ADDRESS]: where it is asked, the socket of the node, and who asks it
// there; on loopback, unless an address is said.

[, $port, $socket, $user, $password, $address] = $argv + ['', '', '', '', '', '127.0.0.1'];
$listening = stream_socket_server("tcp://{$address}:{$port}", $code, $why);
if ($listening === false) {
    fwrite(STDERR, "{$why}\n");
    exit(1);
}
mysqli_report(MYSQLI_REPORT_OFF);

/** What a node says of itself; `Synced` is the only good one. */
$state = static function () use ($socket, $user, $password): string {
    $node = mysqli_init();
    if ($node === false) {
        return 'no client';
    }
    $node->options(MYSQLI_OPT_CONNECT_TIMEOUT, 1);
    $node->options(MYSQLI_OPT_READ_TIMEOUT, 1);
    if (! @$node->real_connect('localhost', $user, $password, null, 0, $socket)) {
        return 'does not answer';
    }
    $said = $node->query("SHOW STATUS WHERE Variable_name IN ('wsrep_local_state_comment', 'wsrep_ready')");
    $rows = $said instanceof mysqli_result ? array_column($said->fetch_all(MYSQLI_NUM), 1, 0) : [];
    $node->close();

    return ($rows['wsrep_ready'] ?? 'OFF') === 'ON' ? $rows['wsrep_local_state_comment'] ?? 'unknown' : 'not ready';
};

while (true) {
    $asked = @stream_socket_accept($listening, -1);
    if ($asked === false) {
        continue;
    }
    stream_set_timeout($asked, 1);
    fgets($asked);
    $now = $state();
    $status = $now === 'Synced' ? '200 OK' : '503 Service Unavailable';
    $length = strlen($now);
    $head = "HTTP/1.0 {$status}\r\nContent-Type: text/plain\r\nContent-Length: {$length}\r\nConnection: close";
    fwrite($asked, "{$head}\r\n\r\n{$now}");
    fclose($asked);
}
