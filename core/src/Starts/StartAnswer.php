<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Coupling;
use FallBend\Core\Catalog\Part;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
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
    /** A branch that is rolled by less is laid level. */
    private const LEVEL_DEG = 5.0;

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

        return $answer + [
            // What a start is for is laid last, after what it needs.
            'drawing' => $last === null ? null : BoardSummary::drawingOf($evaluated, $last->id),
            'drawn_fill' => $this->catalogue->assumption('drawn-fill')->value,
            'says' => [...$last === null ? [] : $this->run($evaluated, $last), ...$this->joints($evaluated)],
            'against' => self::against($evaluated, $last),
        ];
    }

    /** @return list<string> what the run that it is about is cut to, and how the fitting is turned that it enters */
    private function run(EvaluatedJob $job, Run $run): array
    {
        $units = $job->job()->units;
        $pieces = array_map(
            static fn (Piece $piece): string => "{$piece->letter} ".self::length($piece->cutMm, $units),
            $job->run($run->id)->pieces,
        );

        return [
            ...$pieces === [] ? [] : ["{$run->name}: cut ".implode(', ', $pieces)],
            ...$this->rolled($job, $run),
        ];
    }

    /**
     * A branch that does not lie level: how far it is rolled up, and that round the pipe.
     *
     * @return list<string>
     */
    private function rolled(EvaluatedJob $job, Run $run): array
    {
        $into = $run->tieIn->branch === null ? null : $job->layout()->runs[$run->tieIn->branch->run] ?? null;
        $says = [];
        foreach ($into->fittings ?? [] as $fitting) {
            $junction = $fitting->junction;
            $deg = $junction?->key() === $run->id ? self::rollDeg($junction) : 0.0;
            if ($into !== null && $deg > self::LEVEL_DEG) {
                $round = deg2rad($deg) * $into->system->pipe($fitting->part->size)->outsideMm / 2;
                $says[] = "{$fitting->part->sizeInWords()} {$fitting->part->name}: its branch rolled ".
                    round($deg).'° up from level, '.
                    self::length($round, $job->job()->units).' round the pipe';
            }
        }

        return $says;
    }

    private static function rollDeg(Junction $junction): float
    {
        $out = $junction->taps[0]->flow->times(-1.0)->squareTo($junction->flow);
        $up = Vec3::up()->squareTo($junction->flow);

        return $out === null || $up === null ? 0.0 : 90.0 - $out->angleTo($up);
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
     * Without mere notes; of runs that only stand there for this one no more than what stops it.
     *
     * @return list<array{severity: value-of<Severity>, title: string}>
     */
    private static function against(EvaluatedJob $job, ?Run $last): array
    {
        $wording = new Wording($job->job()->units);
        $against = [];
        foreach ($job->job()->runs as $run) {
            $least = $run === $last ? Severity::Unknown : Severity::Stop;
            foreach ($job->findings($run->id) as $finding) {
                if ($finding->severity->rank() <= $least->rank()) {
                    $title = $wording->sentences($finding)['title'];
                    $against[] = ['severity' => $finding->severity->value, 'title' => "{$run->name}: {$title}"];
                }
            }
        }

        return $against;
    }

    private static function length(float $mm, Units $units): string
    {
        $reading = (new Tape)->reading($mm);

        return $units === Units::Inch ? "{$reading['inch']} in" : "{$reading['metric']} mm";
    }
}
