<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Tests\Support\Installation;
use Tests\Support\Served;

/** `bin/start` is told to stop: what is being answered is answered, and then it ends. */
final class StopTest extends TestCase
{
    private const AT_ONCE = 24;

    public function testWhatIsBeingAnsweredIsAnswered(): void
    {
        $var = sys_get_temp_dir().'/fall-bend-stop-'.bin2hex(random_bytes(4));
        $served = new Installation($var);
        try {
            $served->start();
            $lead = Served::as('lead', $served->address);
            $document = (array) json_decode(
                (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/mill-row-pottery.json'),
                true,
            );
            // Each is another document, so that none is known already; four workers take them one after the other.
            $requests = array_map(
                static fn (int $n): array => ['POST', '/api/jobs', ['document' => ['place' => "n {$n}"] + $document]],
                range(1, self::AT_ONCE),
            );
            $stopper = Process::fromShellCommandline("sleep 0.3; kill -TERM {$served->process('start')}");
            $stopper->start();
            $answers = $lead->together($requests, self::AT_ONCE);
            $stopper->wait();
            foreach ($answers as $n => $answer) {
                self::assertSame(201, $answer->status, "request {$n}: {$answer->said()}");
            }
            $longest = max([0.0, ...array_column($answers, 'seconds')]);
            self::assertGreaterThan(0.3, $longest, 'some were answered after it was told');
            self::assertTrue($served->ends(60), 'and then it ends');
            self::assertSame(0, $lead->send('GET', '/health/live')->status);
        } finally {
            $served->stop();
            exec('rm -rf '.escapeshellarg($var));
        }
    }
}
