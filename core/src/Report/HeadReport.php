<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Job\StandingPipe;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;

/**
 * Writes what an evaluated job has beside its runs: its rulebook, what is taken for granted, standing pipes; and the
 * joints outside the runs.
 *
 * @phpstan-import-type SingleReport from JointRegister
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type BuildingQuestion from BuildingQuestions
 *
 * @phpstan-type Head array{
 *     units: value-of<Units>,
 *     rulebook: array{id: string, name: string, style: string},
 *     drawn_fill: float,
 *     saw_kerf: Reading,
 *     standing: list<StandingReport>,
 *     building: list<BuildingQuestion>,
 * }
 * @phpstan-type StandingReport array{
 *     id: string,
 *     known: bool,
 *     said: string,
 *     letters: string,
 *     material: string,
 *     od_mm: ?float,
 *     bore_mm: ?float,
 *     source: Source|null,
 * }
 */
final readonly class HeadReport
{
    public function __construct(private EvaluatedJob $evaluated) {}

    /** @return Head */
    public function toArray(): array
    {
        [$job, $book, $catalogue] = [$this->evaluated->job(), $this->evaluated->book, $this->evaluated->catalogue];

        return [
            'units' => $job->units->value,
            'rulebook' => ['id' => $book->id, 'name' => $book->name, 'style' => $book->style],
            'drawn_fill' => $catalogue->assumption('drawn-fill')->value,
            'saw_kerf' => (new Tape)->reading($catalogue->assumption('saw-kerf')->value),
            'standing' => array_map(
                static fn (StandingPipe $pipe): array => self::standing($pipe, $catalogue),
                $job->standing,
            ),
            'building' => BuildingQuestions::of($book),
        ];
    }

    /** @return list<SingleReport> the joints outside the runs */
    public function singles(): array
    {
        $job = $this->evaluated->job();
        $of = fn (SingleJoint $single): array => JointRegister::single(
            $single,
            $job,
            $this->evaluated->joiner(),
            $this->evaluated->book,
        );

        return array_map($of, $job->singles);
    }

    /** @return StandingReport what the interface shows of a standing pipe beside what was entered */
    private static function standing(StandingPipe $pipe, Catalogue $catalogue): array
    {
        $system = $pipe->system === null ? null : $catalogue->system($pipe->system);
        $row = $system?->pipe($pipe->size ?? '');

        return [
            'id' => $pipe->id,
            'known' => $system !== null,
            'said' => $system === null ? 'not known' : "{$system->short} {$pipe->size}",
            'letters' => $system->letters ?? '?',
            'material' => $system->material ?? 'unknown',
            'od_mm' => $pipe->outsideMm ?? $row?->outsideMm,
            'bore_mm' => $row?->boreMm,
            'source' => $row?->provenance->toArray(),
        ];
    }
}
