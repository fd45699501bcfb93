<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** Fall Bend as bin/start serves it from this folder, with data of its own. */
final class Installation
{
    private ?Process $start = null;

    public readonly string $address;

    /**
     * @param list<string> $options of bin/start
     * @param ?string $folder where it is started from; null: here
     * @param array<string, string> $environment what it is told beside
     */
    public function __construct(
        private readonly string $var,
        private readonly array $options = [],
        private readonly ?string $folder = null,
        private readonly array $environment = [],
    ) {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = $socket === false ? '' : (string) stream_socket_get_name($socket, false);
        $this->address = "http://{$name}";
    }

    /** Runs the command that the README names, and waits until it says that it is ready. */
    public function start(): void
    {
        $port = (string) parse_url($this->address, PHP_URL_PORT);
        $this->start = new Process(
            ['bin/start', '--port', $port, ...$this->options],
            $this->folder ?? dirname(__DIR__, 2),
            ['FALL_BEND_VAR' => $this->var] + $this->environment + self::withoutTests(),
            timeout: null,
        );
        $this->start->start();
        $said = '';
        $this->start->waitUntil(static function (string $kind, string $text) use (&$said): bool {
            $said .= $text;

            return str_contains($said, 'is ready at');
        });
        if (! str_contains($said, 'is ready at')) {
            throw new RuntimeException("bin/start ended: {$said}");
        }
    }

    /** @return array<string, false> what the tests were told of their own server, and no other command is told */
    public static function withoutTests(): array
    {
        $of = '/^(APP|DB|BROWSER|SESSION|BCRYPT|QUEUE|PICTURES)_/';
        $isOfTests = static fn (string $name): bool => preg_match($of, $name) === 1;

        return array_fill_keys(array_filter(array_keys(getenv()), $isOfTests), false);
    }

    /** Whether the command ended by itself within some seconds. */
    public function ends(int $seconds): bool
    {
        for ($i = 0; $i < $seconds * 20 && $this->start?->isRunning() === true; $i++) {
            usleep(50_000);
        }

        return $this->start?->isRunning() !== true;
    }

    public function isRunning(): bool
    {
        return $this->start?->isRunning() === true;
    }

    public function stop(): void
    {
        $this->start?->stop(60, SIGTERM);
    }

    /**
     * The process to be killed.
     *
     * @param string $what `database`, `fpm`, `heavy`, `nginx`: the master; `fpm worker`, `nginx worker`; `start`: the
     *     command itself
     */
    public function process(string $what): int
    {
        if ($what === 'start') {
            return $this->start?->getPid() ?? throw new RuntimeException('it is not started');
        }
        [$server, $worker] = explode(' ', $what) + [1 => ''];
        $note = $server === 'database' ? 'mariadb/group' : "web/{$server}.group";
        $master = (int) file_get_contents("{$this->var}/start/{$note}");
        if ($worker === '') {
            return $master;
        }
        $workers = array_filter(explode("\n", (string) shell_exec("pgrep -P {$master}")));

        return (int) (array_values($workers)[0] ?? throw new RuntimeException("{$what} does not run"));
    }
}
