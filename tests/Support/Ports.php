<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/** Ports of this machine for what a test starts beside the server. */
final class Ports
{
    /** Gives one that nobody listens on. */
    public static function free(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = $socket === false ? false : stream_socket_get_name($socket, false);

        return (int) substr((string) strrchr((string) $name, ':'), 1);
    }

    /** Waits until somebody listens on one. */
    public static function untilItListens(int $port): void
    {
        for ($i = 0; $i < 100; $i++) {
            $socket = @fsockopen('127.0.0.1', $port);
            if ($socket !== false) {
                fclose($socket);

                return;
            }
            usleep(50_000);
        }
        throw new RuntimeException("Nobody listens on port {$port}.");
    }
}
