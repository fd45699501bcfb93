<?php

declare(strict_types=1);

namespace Tests\Bench;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\FlatBlock;
use PDO;
use PHPUnit\Framework\TestCase;
use Tests\Support\AccessLog;
use Tests\Support\Answer;
use Tests\Support\Served;

/**
 * What users wait for, asked of the server as a browser asks it, and as ratios to a bare authenticated row read within
 * the same run:
 * a key press in the call-out, keeping it, a tick at Cut, opening a job, a page of the board among 1,000 jobs, and the
 * same key press
 * in blocks of flats: how long the asker waits, from asking to the last byte, and how long a worker is busy with it,
 * which goes on after the answer. Reported, not judged.
 */
final class HttpBench extends TestCase
{
    private const TIMES = 60;

    /** Who is signed in, and their crews: what every request reads, and nothing else. */
    private const BARE = '/api/session';

    private const JOBS = 1_000;

    private Served $served;

    public function testReportsWhatRequestsTake(): void
    {
        $this->served = Served::as('lead');
        fprintf(
            STDOUT,
            "\n%-34s %8s %8s %7s %10s %12s %8s\n",
            '',
            'p50 ms',
            'p95 ms',
            'ratio',
            'sent',
            'worker p50',
            'memory',
        );
        $this->measured(
            'a row read, nothing else',
            self::TIMES,
            fn (): Answer => $this->served->send('GET', self::BARE.'?'),
        );
        $mill = (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/mill-row-pottery.json'),
            true,
        );
        $this->job('Mill Row', $mill, 'clay-wash', self::TIMES);
        $this->board($mill);
        foreach ([5 => 30, 48 => 9] as $flats => $times) {
            $block = (new JobFile(Catalogue::shipped()))->document(FlatBlock::of($flats));
            $this->job("{$flats} flats", $block, 'f0x0', $times);
        }
    }

    private function bare(): Answer
    {
        $answer = $this->served->send('GET', self::BARE);
        self::assertSame(200, $answer->status);

        return $answer;
    }

    /** @param array<array-key, mixed> $document */
    private function job(string $name, array $document, string $run, int $times): void
    {
        $made = $this->served->send('POST', '/api/jobs', ['document' => $document, 'want' => (object) []]);
        if ($made->status !== 201) {
            fprintf(STDOUT, "%-42s %s\n", $name, $made->said());

            return;
        }
        $id = $made->id();
        $path = "/api/jobs/{$id}";
        // What the Route station shows of one run.
        $want = ['job' => '', 'places' => '', "run:{$run}" => ''];
        $opened = $this->measured(
            "{$name}: opened",
            $times,
            fn () => $this->served->send('GET', "{$path}?want=".implode(',', array_keys($want))),
        );
        $job = $opened->json();
        $said = $job['parts']["run:{$run}"]['value']['call_out'];
        $have = array_map(static fn (array $part): string => $part['hash'], $job['parts']) + $want;
        $documents = [];
        $this->measured("{$name}: key press", $times, function (int $i) use (
            $id,
            $job,
            $run,
            $said,
            $have,
            &$documents,
        ): Answer {
            $answer = $this->served->send('POST', '/api/evaluate', [
                'job' => $id,
                'document' => $job['document'],
                'call_out' => ['run' => $run, 'text' => "{$said} / right ".(20 + $i)],
                'want' => $have,
            ]);
            $documents[$i] = self::changed($job['document'], $answer->json()['changed']);

            return $answer;
        });
        $revision = $job['revision'];
        $keep = function (array $document, array $want) use ($path, &$revision, &$have): Answer {
            $key = ['Idempotency-Key' => 'bench-'.bin2hex(random_bytes(8))];
            $body = ['from' => $revision, 'gesture' => "g{$revision}", 'document' => $document, 'want' => $want];
            $answer = $this->served->send('PUT', $path, $body, $key);
            self::assertSame(200, $answer->status, $answer->said());
            $revision = $answer->json()['revision'];
            $have = array_map(static fn (array $part): string => $part['hash'], $answer->json()['parts']) + $have;

            return $answer;
        };
        $this->measured("{$name}: kept", $times, static fn (int $i): Answer => $keep($documents[$i], $have));
        $document = $documents[$times - 1];
        $pieces = $this->served->send('GET', "{$path}?want=run:{$run}")->json()['parts']["run:{$run}"]['value'][
            'pieces'
        ];
        $this->measured("{$name}: tick at Cut", $times, function (int $i) use (
            $id,
            $path,
            $document,
            $pieces,
            $run,
            &$have,
        ): Answer {
            // As the page does: the tick is said in the log, then what it rests on is asked for anew.
            $piece = $pieces[$i % count($pieces)];
            $tick = ['kind' => 'cut', 'run' => $run, 'piece' => $piece['key'], 'length_mm' => $piece['cut']['mm']];
            $more = ['key' => "tick-{$i}-".bin2hex(random_bytes(6)), 'made_at' => '', 'age_s' => 0];
            $said = $this->served->send('POST', "{$path}/log", ['device' => 'bench', 'entries' => [$tick + $more]]);
            self::assertSame(200, $said->status, $said->said());
            $plan = $this->served->send('POST', '/api/evaluate', [
                'job' => $id,
                'document' => $document,
                'want' => $have + ["cut:{$run}" => ''],
            ]);

            return $plan->after($said);
        });
    }

    /**
     * The document with what the server changed in it, as the interface puts it together.
     *
     * @param array<string, mixed> $document
     * @param array{set: array<string, mixed>, runs: list<array<string, mixed>>} $changed
     * @return array<string, mixed>
     */
    private static function changed(array $document, array $changed): array
    {
        $runs = array_column($document['runs'], null, 'id');
        foreach ($changed['runs'] as $run) {
            $runs[$run['id']] = $run;
        }

        return ['runs' => array_values($runs)] + $changed['set'] + $document;
    }

    /** @param array<array-key, mixed> $document of every job on it */
    private function board(array $document): void
    {
        $row = $this->served->send('GET', '/api/jobs')->json()['jobs'][0];
        $pdo = new PDO(
            'mysql:host='.getenv('DB_HOST').';port='.getenv('DB_PORT').';dbname='.getenv('DB_DATABASE'),
            (string) getenv('DB_USERNAME'),
            (string) getenv('DB_PASSWORD'),
        );
        $columns = 'crew_id, head, created_at, updated_at, summary, summary_version, unreadable, kept_by_id';
        for ($i = 0; $i < self::JOBS; $i++) {
            $id = sprintf('bench%021d', $i);
            $pdo->exec(
                "INSERT INTO jobs (id, name, {$columns}) ".
                    "SELECT '{$id}', CONCAT(name, ' {$i}'), {$columns} FROM jobs WHERE id = '{$row['id']}'",
            );
        }
        $this->measured(
            'a page of the board, '.self::JOBS.' jobs',
            self::TIMES,
            fn () => $this->served->send('GET', '/api/jobs'),
        );
    }

    /**
     * @param callable(int): Answer $ask
     * @return Answer the last
     */
    private function measured(string $what, int $times, callable $ask): Answer
    {
        $answer = $ask(0);
        $log = AccessLog::fromHere();
        [$bytes, $waited, $bare] = [0, [], []];
        for ($i = 0; $i < $times; $i++) {
            $answer = $ask($i);
            self::assertContains($answer->status, [200, 201], "{$what}: {$answer->said()}");
            $bytes = max($bytes, strlen((string) gzencode($answer->body, 1)));
            // In between, so that a slow minute of the machine is one of both.
            $bare[] = $this->bare()->seconds;
            $waited[] = $answer->seconds;
        }
        $lines = array_filter($log->lines(), static fn (array $line): bool => $line['path'] !== self::BARE);
        $memory = max([0, ...array_column($lines, 'kb')]) / 1024;
        fprintf(
            STDOUT,
            "%-34s %8.1f %8.1f %6.2fx %7.1f kB %9.1f ms %5.1f MB\n",
            $what,
            self::at($waited, 0.5) * 1000,
            self::at($waited, 0.95) * 1000,
            self::at($waited, 0.5) / self::at($bare, 0.5),
            $bytes / 1000,
            self::at(array_column($lines, 'ms'), 0.5),
            $memory,
        );

        return $answer;
    }

    /** @param list<float> $values */
    private static function at(array $values, float $share): float
    {
        sort($values);

        return $values[(int) (count($values) * $share)] ?? 0.0;
    }
}
