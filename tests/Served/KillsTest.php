<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\Support\Answer;
use Tests\Support\Installation;
use Tests\Support\Served;

/**
 * A server is killed while a job is being written. `bin/start` comes up again without help, what was acknowledged is
 * there, and
 * what was on its way is carried out once when it is sent again. `bin/bench kills` does it 40 times.
 */
final class KillsTest extends TestCase
{
    private const MASTERS = ['database', 'fpm', 'nginx', 'heavy', 'start'];

    private const WORKERS = ['fpm worker', 'nginx worker'];

    private Installation $installation;

    private string $var;

    protected function setUp(): void
    {
        $this->var = dirname(__DIR__, 2).'/var/test/kills-'.bin2hex(random_bytes(4));
        $this->installation = new Installation($this->var);
    }

    protected function tearDown(): void
    {
        $this->installation->stop();
        exec('rm -rf '.escapeshellarg($this->var));
    }

    public function testNothingAcknowledgedIsLostWhateverIsKilled(): void
    {
        $kills = (int) (getenv('KILLS') ?: 4);
        $seed = (int) (getenv('KILLS_SEED') ?: 13);
        $chance = new Randomizer(new Mt19937($seed));
        $victims = [...self::MASTERS, ...self::WORKERS];
        $order =
            $kills < count($victims)
                ? ['nginx', 'fpm', 'database', 'start', 'fpm worker', 'nginx worker', 'heavy']
                : $victims;
        $this->installation->start();
        $served = Served::as('lead', $this->installation->address);
        $document = (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/weir-cottage-office.json'),
            true,
        );
        $job = $served
            ->send(
                'POST',
                '/api/jobs',
                ['document' => $document],
                ['Idempotency-Key' => 'kills-'.bin2hex(random_bytes(8))],
            )
            ->id();
        [$revision, $done] = [1, []];
        for ($n = 0; $n < $kills; $n++) {
            $victim = $order[$n % count($order)];
            for ($i = $chance->getInt(0, 2); $i >= 0; $i--) {
                $answer = $served->send(
                    'PUT',
                    "/api/jobs/{$job}",
                    self::edit($document, $revision, "before kill {$n}, {$i}"),
                    ['Idempotency-Key' => "before-{$n}-{$i}-{$job}"],
                );
                self::assertSame(200, $answer->status, "{$answer->said()} before kill {$n} of {$victim}");
                $revision++;
            }
            $edit = self::edit($document, $revision, "under kill {$n}");
            $key = ['Idempotency-Key' => "under-{$n}-{$job}"];
            $after = $chance->getInt(0, 180) / 1000;
            $killer = Process::fromShellCommandline(
                "sleep {$after}; kill -KILL {$this->installation->process($victim)}",
            );
            $killer->start();
            $under = $served->send('PUT', "/api/jobs/{$job}", $edit, $key);
            $killer->wait();
            if (in_array($victim, self::MASTERS, true)) {
                self::assertTrue($this->installation->ends(60), "bin/start ends when {$victim} was killed");
                $this->installation->start();
            }
            $answer = self::answered($served, ['GET', "/api/jobs/{$job}"]);
            self::assertSame(200, $answer->status, "{$answer->said()} after kill {$n} of {$victim}");
            if ($under->status === 200) {
                self::assertSame(
                    "under kill {$n}",
                    $answer->json()['document']['place'],
                    "acknowledged, then {$victim} was killed",
                );
            }
            $again = self::answered($served, ['PUT', "/api/jobs/{$job}", $edit, $key]);
            self::assertSame(200, $again->status, "{$again->said()} sent again after kill {$n} of {$victim}");
            $revision++;
            self::assertSame(
                $revision,
                $served->send('GET', "/api/jobs/{$job}")->json()['revision'],
                "carried out once, kill {$n} of {$victim}",
            );
            $done[$victim] = ($done[$victim] ?? 0) + 1;
        }
        if ($kills > 4) {
            fprintf(
                STDOUT,
                "\nbin/start came up after each of %d kills, nothing acknowledged was lost: %s\n",
                $kills,
                json_encode($done, JSON_THROW_ON_ERROR),
            );
        }
    }

    /**
     * Asks as a browser does: what a worker was at that is killed is asked again.
     *
     * @param array{0: string, 1: string, 2?: array<array-key, mixed>, 3?: array<string, string>} $request
     */
    private static function answered(Served $served, array $request): Answer
    {
        for ($tries = 1; ; $tries++) {
            $answer = $served->send(...$request);
            if ($tries === 5 || ($answer->status !== 0 && $answer->status < 500)) {
                return $answer;
            }
            usleep(200_000);
        }
    }

    /**
     * @param array<array-key, mixed> $document
     * @return array<string, mixed>
     */
    private static function edit(array $document, int $from, string $place): array
    {
        return ['from' => $from, 'gesture' => "place {$from}", 'document' => ['place' => $place] + $document];
    }
}
