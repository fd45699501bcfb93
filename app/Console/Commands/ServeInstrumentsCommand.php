<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Instruments\InstrumentHub;
use App\Instruments\Script;
use App\Instruments\StandIn;
use FallBend\Core\Input\BadInput;
use Illuminate\Console\Command;

/** Takes the readings of instruments and tells them to the pages that wait for one; see docs/instruments.md. */
final class ServeInstrumentsCommand extends Command
{
    protected $signature = 'instruments:serve {--socket= : a file of its own}
        {--script= : what happens to the stand-ins} {--speed=1 : how many times faster} {--without-stand-ins}';

    protected $description = 'Take readings of instruments, with stand-ins where there are none';

    public function handle(): int
    {
        $path = $this->option('socket');
        if (! is_string($path) || $path === '') {
            $this->error('Say where: --socket=FILE');

            return 1;
        }
        @unlink($path);
        $socket = stream_socket_server("unix://{$path}", $code, $message);
        if ($socket === false) {
            $this->error("Nothing can be served at {$path}: {$message}");

            return 1;
        }
        $isOver = false;
        $stop = static function () use (&$isOver): void {
            $isOver = true;
        };
        $this->trap([SIGTERM, SIGINT, SIGQUIT], $stop);
        try {
            $script = $this->script();
            $hub = new InstrumentHub($this->option('without-stand-ins') ? [] : StandIn::van());
            $began = microtime(true);
            $hub->serve($socket, static function () use (&$isOver, $script, $hub, $began): bool {
                $script?->play($hub, microtime(true) - $began);

                return $isOver;
            });
        } catch (BadInput $bad) {
            $this->error("{$bad->field} {$bad->getMessage()}");

            return 1;
        } finally {
            @unlink($path);
        }

        return 0;
    }

    /** @throws BadInput */
    private function script(): ?Script
    {
        $file = $this->option('script');
        $speed = $this->option('speed');

        return is_string($file) && $file !== ''
            ? new Script((string) file_get_contents($file), is_numeric($speed) ? max(0.01, (float) $speed) : 1.0)
            : null;
    }
}
