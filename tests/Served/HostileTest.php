<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\Support\AccessLog;
use Tests\Support\Hostile;
use Tests\Support\Served;

/**
 * Requests that mean no good over every POST and PUT and every reckoner: each is answered or refused, in time, within
 * the memory
 * of a worker, and whatever was kept meanwhile can be read. `bin/bench hostile` sends 20,000.
 */
final class HostileTest extends TestCase
{
    /** Two at once: nobody waits for a turn, so that what an answer takes is its own. */
    private const AT_ONCE = 2;

    private const BATCH = 50;

    /**
     * A question may be given longer than the usual (`seconds`); 5 s where nothing is said. What comes on top is
     * sending and answering.
     */
    private const SECONDS = 5.0;

    private const MOST_KB = 96 * 1024;

    public function testEveryRequestIsAnsweredOrRefused(): void
    {
        $count = (int) (getenv('HOSTILE') ?: 1_000);
        $seed = (int) (getenv('HOSTILE_SEED') ?: 13);
        $chance = new Randomizer(new Mt19937($seed));
        $lead = Served::as('lead');
        $jobs = [];
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $demo) {
            $jobs[] = $lead
                ->send('POST', '/api/jobs', [
                    'document' => (array) json_decode(
                        (string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$demo}.json"),
                        true,
                    ),
                ])
                ->id();
        }
        $hostile = new Hostile($chance, $jobs);
        self::assertGreaterThan(30, count($hostile->paths()));
        $log = AccessLog::fromHere();
        [$statuses, $slowest, $wrong] = [[], [0.0, ''], []];
        for ($sent = 0; $sent < $count; $sent += self::BATCH) {
            $batch = [];
            for ($n = min(self::BATCH, $count - $sent); $n > 0; $n--) {
                $batch[] = $hostile->request();
            }
            foreach ($lead->together($batch, self::AT_ONCE) as $n => $answer) {
                [$method, $path, $body] = $batch[$n];
                $statuses[$answer->status] = ($statuses[$answer->status] ?? 0) + 1;
                $given = (array) json_decode(is_string($body) ? $body : '{}', true);
                $most = max(
                    self::SECONDS,
                    min(20.0, is_numeric($given['seconds'] ?? null) ? (float) $given['seconds'] : 0.0) + 1.0,
                );
                $slowest = $answer->seconds > $slowest[0] ? [$answer->seconds, "{$method} {$path}"] : $slowest;
                if ($answer->status === 0 || $answer->status >= 500 || $answer->seconds > $most) {
                    $wrong[] = 'request '.($sent + $n)." of seed {$seed}, {$method} {$path}: {$answer->said()}";
                    file_put_contents(
                        sys_get_temp_dir().'/fall-bend-hostile-'.count($wrong).'.json',
                        is_string($body) ? $body : '',
                    );
                }
                $hostile->heard($path, $answer);
                if (in_array($answer->status, [401, 419], true)) {
                    $lead->signIn('lead');
                }
            }
            self::assertSame([], $wrong);
        }
        $largest = max([0, ...array_column($log->lines(), 'kb')]);
        self::assertGreaterThan(0.98 * $count, count($log->lines()), 'a few are refused before they come to a worker');
        self::assertLessThanOrEqual(self::MOST_KB, $largest);
        self::assertGreaterThan($count / 10, $statuses[200] ?? 0, 'what is asked is not all nonsense');

        $check = new Process(['php', 'artisan', 'jobs:check'], dirname(__DIR__, 2), timeout: 3_600);
        self::assertSame(0, $check->run(), $check->getOutput());
        self::assertSame(200, $lead->send('GET', '/api/jobs')->status);
        self::assertSame(200, $lead->send('GET', '/api/catalogue/own')->status);
        if ($count > 1_000) {
            ksort($statuses);
            fprintf(
                STDOUT,
                "\n%d hostile requests of seed %d: %s; the slowest took %.1f s (%s), the largest worker %.0f MB; all jobs read\n%s\n",
                $count,
                $seed,
                json_encode($statuses, JSON_THROW_ON_ERROR),
                $slowest[0],
                $slowest[1],
                $largest / 1024,
                trim($check->getOutput()),
            );
        }
    }
}
