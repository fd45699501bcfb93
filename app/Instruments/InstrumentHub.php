<?php

declare(strict_types=1);

namespace App\Instruments;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * Where instruments send their readings, and pages listen: HTTP on a socket, JSON lines in, server-sent events out.
 * It keeps nothing: a reading that nobody listens to is gone. See docs/instruments.md.
 */
final class InstrumentHub
{
    /** So much of a request is read; more is refused. */
    private const MOST_BYTES = 65_536;

    /** So many may be connected at once. */
    private const MOST_CLIENTS = 128;

    /** A page that is not heard from is reminded so often that the line is open. */
    private const KEEP_ALIVE_S = 15;

    /** @var array<int, resource> by number of the resource */
    private array $clients = [];

    /** @var array<int, string> what was read of each so far */
    private array $read = [];

    /** @var array<int, true> those that listen */
    private array $listening = [];

    /** @var array<string, StandIn> by id */
    private array $standIns = [];

    private float $remindedAt = 0.0;

    /** @param list<StandIn> $standIns */
    public function __construct(array $standIns)
    {
        foreach ($standIns as $standIn) {
            $this->standIns[$standIn->id] = $standIn;
        }
    }

    /**
     * Serves until it is told to stop.
     *
     * @param resource $socket that listens
     * @param callable(): bool $isOver
     */
    public function serve($socket, callable $isOver): void
    {
        stream_set_blocking($socket, false);
        while (! $isOver()) {
            $this->turn($socket, 250_000);
        }
        foreach ($this->clients as $client) {
            fclose($client);
        }
    }

    /**
     * Waits for what comes next, and answers it.
     *
     * @param resource $socket
     */
    public function turn($socket, int $microseconds): void
    {
        [$read, $write, $except] = [[$socket, ...array_values($this->clients)], null, null];
        if ((int) @stream_select($read, $write, $except, 0, $microseconds) > 0) {
            foreach ($read as $ready) {
                $ready === $socket ? $this->accept($socket) : $this->hear($ready);
            }
        }
        if (microtime(true) - $this->remindedAt > self::KEEP_ALIVE_S) {
            $this->remindedAt = microtime(true);
            $this->tell(": still here\n\n");
        }
    }

    /** @param array<string, mixed> $reading sends it to every page that listens */
    public function publish(array $reading): void
    {
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;
        $this->tell('data: '.json_encode($reading, $flags)."\n\n");
    }

    /** Gives a stand-in by its id; null where there is none. */
    public function standIn(string $id): ?StandIn
    {
        return $this->standIns[$id] ?? null;
    }

    /** Presses the button of a stand-in: whether anything was read. */
    public function press(StandIn $standIn): bool
    {
        $reading = $standIn->press();
        if ($reading !== null) {
            $this->publish($reading + ['humidity' => null]);
        }

        return $reading !== null;
    }

    /** @param resource $socket */
    private function accept($socket): void
    {
        $client = @stream_socket_accept($socket, 0);
        if ($client === false) {
            return;
        }
        if (count($this->clients) >= self::MOST_CLIENTS) {
            fclose($client);

            return;
        }
        stream_set_blocking($client, false);
        $this->clients[(int) $client] = $client;
        $this->read[(int) $client] = '';
    }

    /** @param resource $client */
    private function hear($client): void
    {
        $bytes = @fread($client, 8_192);
        if ($bytes === '' || $bytes === false) {
            $this->close($client);

            return;
        }
        $this->read[(int) $client] .= $bytes;
        $text = $this->read[(int) $client];
        $parts = explode("\r\n\r\n", $text, 2);
        [$head, $body] = [$parts[0], $parts[1] ?? null];
        if (strlen($text) > self::MOST_BYTES) {
            $this->answer($client, 413, 'too much at once');

            return;
        }
        $length = preg_match('/^Content-Length:\s*(\d+)/mi', $head, $m) === 1 ? (int) $m[1] : 0;
        if ($body === null || strlen($body) < $length) {
            return;
        }
        $this->request($client, $head, substr($body, 0, $length));
    }

    /** @param resource $client */
    private function request($client, string $head, string $body): void
    {
        [$method, $path] = explode(' ', explode("\r\n", $head, 2)[0]) + ['', ''];
        // A page of somebody else's cannot say this without being asked first, and it is not answered then.
        $isOurs = $method === 'GET' || preg_match('~^Content-Type:\s*application/(x-ndjson|json)~mi', $head) === 1;
        $press = preg_match('~^/instruments/devices/([\w-]{1,40})/press\z~', $path, $m) === 1 ? $m[1] : null;
        match (true) {
            ! $isOurs => $this->answer($client, 415, 'say Content-Type: application/x-ndjson'),
            $method === 'GET' && $path === '/instruments/events' => $this->listen($client),
            $method === 'GET' && $path === '/instruments/devices' => $this->devices($client),
            $method === 'POST' && $path === '/instruments/readings' => $this->readings($client, $body),
            $method === 'POST' && $press !== null => $this->pressed($client, $press, $body),
            default => $this->answer($client, 404, 'there is no such place'),
        };
    }

    /** @param resource $client */
    private function listen($client): void
    {
        $this->listening[(int) $client] = true;
        @fwrite(
            $client,
            "HTTP/1.1 200 OK\r\nContent-Type: text/event-stream\r\nCache-Control: no-store\r\n\r\n: here\n\n",
        );
    }

    /** @param resource $client */
    private function devices($client): void
    {
        $devices = array_map(static fn (StandIn $one): array => $one->described(), array_values($this->standIns));
        $this->answer($client, 200, json_encode(['devices' => $devices], JSON_THROW_ON_ERROR), 'application/json');
    }

    /**
     * Lines of JSON: those before one that is wrong are told, and which is wrong is said.
     *
     * @param resource $client
     */
    private function readings($client, string $body): void
    {
        foreach (explode("\n", trim($body)) as $n => $line) {
            try {
                $this->publish(Reading::read($line));
            } catch (BadInput $bad) {
                $this->answer($client, 422, 'line '.($n + 1).": {$bad->field} {$bad->getMessage()}");

                return;
            }
        }
        $this->answer($client, 204, '');
    }

    /** @param resource $client */
    private function pressed($client, string $id, string $body): void
    {
        $standIn = $this->standIn($id);
        if ($standIn === null) {
            $this->answer($client, 404, 'there is no such stand-in');

            return;
        }
        try {
            $said = Fields::of($body === '' ? [] : json_decode($body, true, 4));
            if ($said->has('value')) {
                $standIn->holdTo($said->number('value', -1_000_000, 1_000_000));
            }
            $said->end();
        } catch (BadInput $bad) {
            $this->answer($client, 422, "{$bad->field} {$bad->getMessage()}");

            return;
        }
        $this->press($standIn)
            ? $this->answer($client, 204, '')
            : $this->answer($client, 503, 'nothing was read: the battery is flat, or the reading was lost');
    }

    private function tell(string $text): void
    {
        foreach (array_keys($this->listening) as $number) {
            $client = $this->clients[$number] ?? null;
            // A page that does not take what it is told is let go of: it connects again.
            if ($client === null || @fwrite($client, $text) !== strlen($text)) {
                unset($this->listening[$number]);
                if ($client !== null) {
                    $this->close($client);
                }
            }
        }
    }

    /** @param resource $client */
    private function answer($client, int $status, string $text, string $type = 'text/plain; charset=utf-8'): void
    {
        $length = strlen($text);
        @fwrite(
            $client,
            "HTTP/1.1 {$status} -\r\nContent-Type: {$type}\r\nContent-Length: {$length}\r\nConnection: close\r\n".
                "Cache-Control: no-store\r\n\r\n{$text}",
        );
        $this->close($client);
    }

    /** @param resource $client */
    private function close($client): void
    {
        $number = (int) $client;
        unset($this->clients[$number], $this->read[$number], $this->listening[$number]);
        @fclose($client);
    }
}
