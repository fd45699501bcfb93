<?php

declare(strict_types=1);

namespace App\Evaluations;

use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Cutting\RunToCut;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\BoardSummary;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Contracts\Cache\Repository;

/**
 * What evaluated jobs came to, by what they were made of: a job is mostly kept right after it was shown, and ticked off
 * without being changed. It is a server's own memory and may be lost at any time: then it is worked out again.
 *
 * @phpstan-import-type Known from JobEvaluation
 */
final readonly class KnownEvaluations
{
    /** What is larger than this in bytes is not kept: the memory is shared by all jobs. */
    private const LARGEST = 1_000_000;

    /** Of a job with more pieces its cutting is not kept, for the same reason: a piece is about 800 bytes. */
    private const MOST_PIECES = 1_000;

    private const SECONDS = 3_600;

    private Repository $store;

    public function __construct(Factory $caches, private JobFile $file)
    {
        $this->store = $caches->store('evaluations');
    }

    /** Gives what tells a job and what it was evaluated with from all others, whatever was cut of it. */
    public function key(Plan $job, OwnNumbers $own): string
    {
        $version = config('app.version');

        return hash('sha256', serialize([$version, BoardSummary::VERSION, $own]).$this->file->laidText($job));
    }

    /** @return Known|null null where it is not known */
    public function find(string $key): ?array
    {
        /** @var Known|null $known */
        $known = $this->store->get($key);

        return $known;
    }

    /** @return array<string, RunToCut>|null what is to be cut of each run, by id; null where it is not known */
    public function findToCut(string $key): ?array
    {
        /** @var array<string, RunToCut>|null $runs */
        $runs = $this->store->get("{$key}-cut");

        return $runs;
    }

    /** @param array<string, RunToCut> $runs by id */
    public function keepToCut(string $key, array $runs): void
    {
        $pieces = array_sum(array_map(static fn (RunToCut $run): int => count($run->pieces), $runs));
        if ($pieces <= self::MOST_PIECES) {
            $this->store->put("{$key}-cut", $runs, self::SECONDS);
        }
    }

    /** @param Known $evaluation */
    public function keep(string $key, array $evaluation): void
    {
        if (array_sum(array_map(strlen(...), $evaluation['parts'])) <= self::LARGEST) {
            $this->store->put($key, $evaluation, self::SECONDS);
        }
    }
}
