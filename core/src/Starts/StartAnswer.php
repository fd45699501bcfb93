<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\GuidedMove;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Report\BoardSummary;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Wording;

/**
 * What is answered while a start is being filled in: the drawing of the job as it would stand, what comes out, and what
 * stands against it.
 *
 * @phpstan-import-type RunDrawing from BoardSummary
 *
 * @phpstan-type WrittenAnswer array{
 *     problems: array<string, string>,
 *     later: list<string>,
 *     drawing: RunDrawing|null,
 *     drawn_fill: float,
 *     says: list<string>,
 *     against: list<array{severity: value-of<Severity>, title: string}>,
 * }
 */
final readonly class StartAnswer
{
    public function __construct(private Catalogue $catalogue) {}

    /** @return WrittenAnswer */
    public function written(MadeStart $made): array
    {
        $answer = ['problems' => $made->problems, 'later' => $made->later];
        if ($made->job === null) {
            return $answer + ['drawing' => null, 'drawn_fill' => 0.0, 'says' => [], 'against' => []];
        }
        $evaluated = (new JobEvaluator($this->catalogue))->evaluate($made->job);
        $last = $made->job->runs[count($made->job->runs) - 1] ?? null;
        $traps = $this->traps($made->job);

        return $answer + [
            // What a start is for is laid last, after what it needs.
            'drawing' => $last === null ? null : BoardSummary::drawingOf($evaluated, $last->id),
            'drawn_fill' => $this->catalogue->assumption('drawn-fill')->value,
            'says' => [
                ...(new SaidRuns($evaluated, $made->stands))->says(),
                ...$this->joints($evaluated),
                ...array_merge([], ...array_column($traps, 'says')),
            ],
            'against' => [
                ...self::against($evaluated, $made->stands),
                ...array_merge([], ...array_column($traps, 'against')),
            ],
        ];
    }

    /** @return list<FittedTrap> */
    private function traps(Job $job): array
    {
        $moves = array_filter($job->moves, static fn (GuidedMove $move): bool => $move->kind === 'trap-fit');

        return array_map(
            fn (GuidedMove $move): FittedTrap => FittedTrap::of($job, $move, $this->catalogue),
            array_values($moves),
        );
    }

    /** @return list<string> how each joint is made, and with what */
    private function joints(EvaluatedJob $job): array
    {
        return array_map(function (SingleJoint $single) use ($job): string {
            $offer = JointRegister::offerOf($single, $job->job(), $job->joiner(), $job->book);
            if ($offer === null) {
                return "{$single->name}: nothing in the tables joins these two ends";
            }
            $parts = array_map(
                static fn (Coupling|Part $part): string => $part->name,
                array_values(
                    array_filter(
                        $offer->parts,
                        static fn (mixed $part): bool => $part instanceof Coupling || $part instanceof Part,
                    ),
                ),
            );

            $method = MethodTexts::text($offer->method)['name'];
            // A sleeve is often called as the method is.
            $parts = array_filter($parts, static fn (string $part): bool => strcasecmp($part, $method) !== 0);

            return "{$single->name}: {$method}".($parts === [] ? '' : ', with '.implode(', ', $parts));
        }, $job->job()->singles);
    }

    /**
     * Without mere notes; of runs that stand already no more than what stops them.
     *
     * @param list<string> $stands ids of those
     * @return list<array{severity: value-of<Severity>, title: string}>
     */
    private static function against(EvaluatedJob $job, array $stands): array
    {
        $wording = new Wording($job->job()->units);
        $against = [];
        foreach ($job->job()->runs as $run) {
            $least = in_array($run->id, $stands, true) ? Severity::Stop : Severity::Unknown;
            foreach ($job->findings($run->id) as $finding) {
                if ($finding->severity->rank() <= $least->rank()) {
                    $title = $wording->sentences($finding)['title'];
                    $against[] = ['severity' => $finding->severity->value, 'title' => "{$run->name}: {$title}"];
                }
            }
        }

        return $against;
    }
}
