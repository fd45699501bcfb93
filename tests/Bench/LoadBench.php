<?php

declare(strict_types=1);

namespace Tests\Bench;

use CurlHandle;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\BusyEditor;
use Tests\Support\Served;

/**
 * Many people at once, each with a job of their own: every second each of them types a letter into a call-out, keeps a
 * change, ticks something off or reads what is new. An act is due at its time whether or not what was asked before has
 * been answered, and what somebody waits counts from when it was due: a server that falls behind cannot hide it. Beside
 * them a bare route of the framework is asked ten times a second; all is told as ratios to what that takes. Reported,
 * not judged.
 */
final class LoadBench extends TestCase
{
    private const BARE = '/health/live';

    private const BARE_EVERY_S = 0.1;

    /** How often each is done, in a hundred acts. */
    private const ACTS = ['type' => 60, 'read' => 20, 'keep' => 12, 'tick' => 8];

    /** The run of the job that is called out. */
    private const RUN = 'drain';

    private const SESSIONS = 5;

    private const MEMORY_EVERY_S = 30.0;

    private \CurlMultiHandle $multi;

    /** @var array<int, array{kind: string, due: float, editor: int, handle: CurlHandle}> what is on its way */
    private array $running = [];

    /** @var array<string, list<float>> milliseconds by what was done */
    private array $took = [];

    /** @var array<string, int> answers by what came of them */
    private array $counted = [];

    /** @var list<BusyEditor> */
    private array $editors = [];

    /** @var list<int> megabytes of the workers, every so often */
    private array $memory = [];

    public function testReportsWhatManyPeopleWait(): void
    {
        $asked = (string) getenv('LOAD_EDITORS');
        $counts = $asked === '' ? [1, 10, 50, 200] : array_map(intval(...), explode(',', $asked));
        $seconds = (float) (getenv('LOAD_SECONDS') ?: 30);
        $this->multi = curl_multi_init();
        $this->prepare(max($counts));
        foreach ($counts as $count) {
            $this->play($count, $seconds);
        }
        self::assertNotSame([], $this->editors);
    }

    private function prepare(int $count): void
    {
        $sessions = array_map(
            static fn (int $n): Served => Served::as($n % 2 === 0 ? 'lead' : 'apprentice'),
            range(1, self::SESSIONS),
        );
        $lead = Served::as('lead');
        $document = (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/weir-cottage-office.json'),
            true,
        );
        for ($n = 0; $n < $count; $n++) {
            $made = $lead->send('POST', '/api/jobs', ['document' => $document, 'want' => (object) []])->json();
            $own = $made['document'] ?? [];
            $job = is_string($made['id'] ?? null) ? $made['id'] : '';
            // Each has a device of their own.
            $served = $sessions[$n % self::SESSIONS]->from('127.0.1.'.(1 + $n % 250));
            $this->editors[] = new BusyEditor($served, $job, is_array($own) ? $own : [], self::RUN, $n % 20);
        }
    }

    private function play(int $count, float $seconds): void
    {
        [$this->took, $this->counted, $this->memory] = [[], [], []];
        $chance = new Randomizer(new Mt19937(13));
        $began = microtime(true);
        $due = [];
        for ($n = 0; $n < $count; $n++) {
            $due[$n] = $began + $n / $count;
        }
        $bareDue = $began;
        $end = $began + $seconds;
        while (microtime(true) < $end || $this->running !== []) {
            $now = microtime(true);
            if ($now < $end) {
                foreach ($due as $n => $at) {
                    if ($at <= $now) {
                        $this->act($n, $at, $chance);
                        $due[$n] = $at + 1.0;
                    }
                }
                if ($bareDue <= $now) {
                    $this->ask('bare', $bareDue, 0, ['GET', self::BARE]);
                    $bareDue += self::BARE_EVERY_S;
                }
                if (count($this->memory) <= ($now - $began) / self::MEMORY_EVERY_S) {
                    $this->memory[] = self::memoryOfWorkers();
                }
            }
            curl_multi_exec($this->multi, $active);
            curl_multi_select($this->multi, 0.002);
            $this->takeAnswers();
        }
        $this->memory[] = self::memoryOfWorkers();
        $this->report($count, microtime(true) - $began);
    }

    private function act(int $n, float $due, Randomizer $chance): void
    {
        $roll = $chance->getInt(0, 99);
        foreach (self::ACTS as $kind => $share) {
            if ($roll < $share) {
                break;
            }
            $roll -= $share;
        }
        [$counted, $request] = $this->editors[$n]->asks($kind);
        $this->ask($counted, $due, $n, $request);
    }

    /** @param array{0: string, 1: string, 2?: array<array-key, mixed>, 3?: array<string, string>} $request */
    private function ask(string $kind, float $due, int $n, array $request): void
    {
        $handle = $this->editors[$n]->served->handle($request);
        curl_multi_add_handle($this->multi, $handle);
        $this->running[spl_object_id($handle)] = ['kind' => $kind, 'due' => $due, 'editor' => $n, 'handle' => $handle];
    }

    private function takeAnswers(): void
    {
        while (($done = curl_multi_info_read($this->multi)) !== false) {
            $handle = $done['handle'];
            ['kind' => $kind, 'due' => $due, 'editor' => $n] = $this->running[spl_object_id($handle)];
            unset($this->running[spl_object_id($handle)]);
            $status = $done['result'] === CURLE_OK ? (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE) : 0;
            $came = match (true) {
                $status === 200 => 'answered',
                $status === 503 => 'shed',
                $status === 0 => 'without an answer ('.curl_error($handle).')',
                default => "status {$status}",
            };
            $this->counted[$came] = ($this->counted[$came] ?? 0) + 1;
            if ($status === 200) {
                $this->took[$kind][] = 1000 * (microtime(true) - $due);
            }
            if ($kind === 'keep') {
                $this->editors[$n]->kept($status === 200);
            }
            curl_multi_remove_handle($this->multi, $handle);
        }
    }

    private function report(int $count, float $seconds): void
    {
        $bare = self::of($this->took['bare'] ?? [0.0], 0.5);
        fprintf(
            STDOUT,
            "\n%d people: %.0f requests a second; %s; workers %s MB\n%-8s %7s %8s %8s %8s %8s\n",
            $count,
            array_sum($this->counted) / $seconds,
            implode(', ', array_map(
                static fn (string $came, int $times): string => "{$times} {$came}",
                array_keys($this->counted),
                $this->counted,
            )),
            implode(', ', $this->memory),
            '',
            'times',
            'p50 ms',
            'p95 ms',
            'p99 ms',
            'ratio',
        );
        foreach ($this->took as $kind => $took) {
            [$p50, $p95, $p99] = [self::of($took, 0.5), self::of($took, 0.95), self::of($took, 0.99)];
            fprintf(
                STDOUT,
                "%-8s %7d %8.1f %8.1f %8.1f %8.1f\n",
                $kind,
                count($took),
                $p50,
                $p95,
                $p99,
                $bare > 0 ? $p50 / $bare : 0,
            );
        }
    }

    /** @param list<float> $of */
    private static function of(array $of, float $share): float
    {
        sort($of);

        return $of[(int) min(count($of) - 1, floor($share * count($of)))] ?? 0.0;
    }

    /** Megabytes that the workers of PHP of this server hold for themselves. */
    private static function memoryOfWorkers(): int
    {
        $home = dirname((string) getenv('FALL_BEND_ACCESS_LOG_AT'));
        $kilobytes = 0;
        foreach (["{$home}/fpm.pid", "{$home}/heavy.pid"] as $note) {
            $master = (int) file_get_contents($note);
            foreach (explode(' ', trim((string) shell_exec("pgrep -d ' ' -P {$master}"))) as $worker) {
                preg_match('/^RssAnon:\s+(\d+)/m', (string) @file_get_contents("/proc/{$worker}/status"), $found);
                $kilobytes += (int) ($found[1] ?? 0);
            }
        }

        return intdiv($kilobytes, 1024);
    }
}
