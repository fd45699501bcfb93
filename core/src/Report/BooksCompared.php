<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\Severity;

/**
 * The same job judged under two books: what stands against it under one alone, and what is said otherwise. Notes are
 * left out: nothing has to be done about them.
 *
 * @phpstan-import-type SaidFinding from FindingReport
 *
 * @phpstan-type BookDifference array{
 *     run: string,
 *     run_name: string,
 *     change: value-of<self::CHANGES>,
 *     here: SaidFinding|null,
 *     there: SaidFinding|null,
 * }
 */
final readonly class BooksCompared
{
    public const CHANGES = ['new', 'other', 'gone'];

    /** @param EvaluatedJob $there the same job under another book */
    public function __construct(private EvaluatedJob $here, private EvaluatedJob $there) {}

    /** @return list<BookDifference> run by run; of each what is new there, what is otherwise, what is gone */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->here->job()->runs as $run) {
            [$here, $there] = [$this->found($this->here, $run->id), $this->found($this->there, $run->id)];
            $at = ['run' => $run->id, 'run_name' => $run->name];
            $of = ['new' => [], 'other' => [], 'gone' => []];
            foreach ($there as $key => $finding) {
                $before = $here[$key] ?? null;
                if ($before === null || ! self::isSame($before, $finding)) {
                    $change = $before === null ? 'new' : 'other';
                    $of[$change][] = $at + ['change' => $change, 'here' => $before, 'there' => $finding];
                }
            }
            foreach (array_diff_key($here, $there) as $finding) {
                $of['gone'][] = $at + ['change' => 'gone', 'here' => $finding, 'there' => null];
            }
            $rows = [...$rows, ...$of['new'], ...$of['other'], ...$of['gone']];
        }

        return $rows;
    }

    /** @return array<string, SaidFinding> of a run, by rule and place; the second of a kind at a place apart */
    private function found(EvaluatedJob $job, string $run): array
    {
        $found = [];
        $told = array_values(
            array_filter($job->findings($run), static fn (Finding $one): bool => $one->severity !== Severity::Note),
        );
        foreach (FindingReport::list($told, $job->job()->units) as $finding) {
            ['leg_id' => $leg, 'piece' => $piece, 'joint' => $joint] = $finding['where'];
            $key = "{$finding['rule']} {$leg} {$piece} {$joint}";
            $n = 1;
            while (isset($found["{$key} {$n}"])) {
                $n++;
            }
            $found["{$key} {$n}"] = $finding;
        }

        return $found;
    }

    /**
     * @param SaidFinding $one
     * @param SaidFinding $other
     */
    private static function isSame(array $one, array $other): bool
    {
        return [$one['severity'], $one['why']] === [$other['severity'], $other['why']];
    }
}
