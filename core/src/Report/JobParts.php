<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Job\Run;

/**
 * An evaluated job in parts that a screen asks for by name: `job`, `singles`, `places`, `fixtures`, `pipes`,
 * `crossings` for the whole,
 * `run:ID` and `cut:ID` for each run. A part has the same hash as long as it says the same.
 */
final class JobParts
{
    /** Parts that there is one of, whatever the runs. */
    public const WHOLE = ['job', 'singles', 'places', 'fixtures', 'pipes', 'crossings'];

    /** All runs, whichever there are. */
    public const EVERY_RUN = 'run:*';

    private ?NetworkReport $network = null;

    private readonly RunReport $runs;

    public function __construct(private readonly EvaluatedJob $job)
    {
        $this->runs = new RunReport($job->said->units);
    }

    /**
     * Takes the parts that somebody wants; gives the names of those that this job has or had.
     *
     * @param list<string> $wanted names; `run:*` stands for every run
     * @return list<string>
     */
    public function names(array $wanted): array
    {
        if (! in_array(self::EVERY_RUN, $wanted, true)) {
            return $wanted;
        }
        $runs = array_map(static fn (Run $run): string => "run:{$run->id}", $this->job->said->runs);

        return array_values(array_unique([...array_diff($wanted, [self::EVERY_RUN]), ...$runs]));
    }

    /**
     * Gives a part as JSON.
     *
     * @return ?string `null` where the job has no such part; null where it takes more than the effort that is left
     */
    public function text(string $name): ?string
    {
        [$kind, $run] = explode(':', $name, 2) + [1 => ''];
        $isNowhere = match ($kind) {
            'run' => ! isset($this->job->layout()->runs[$run]),
            'cut' => ! isset($this->job->toCut()[$run]),
            default => false,
        };
        if ($isNowhere) {
            return 'null';
        }
        $part = match ($kind) {
            'run' => $this->runs->write($this->job->run($run), $this->job->findings($run)),
            'cut' => $this->job->cutting()->ofRun($run),
            'job' => ['counts_flow' => $this->network()->countsFlow()] + (new HeadReport($this->job))->toArray(),
            'singles' => (new HeadReport($this->job))->singles(),
            'places' => $this->network()->places(),
            'fixtures' => $this->network()->fixtures(),
            'pipes' => $this->network()->pipes(),
            'crossings' => $this->network()->crossings(),
            default => null,
        };

        // A plan of sticks that was broken off is left for those who wait longer for it.
        return $kind === 'cut' && $this->job->effort->isSpent()
            ? null
            : json_encode($part, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** Gives what tells whether a part says the same as before. */
    public static function hash(string $text): string
    {
        return substr(hash('xxh128', $text), 0, 16);
    }

    private function network(): NetworkReport
    {
        return $this->network ??= new NetworkReport($this->job->network(), $this->job->book);
    }
}
