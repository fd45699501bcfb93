<?php

declare(strict_types=1);

namespace FallBend\Core\Buying;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\JointRegister;

/**
 * How many hours of work a job is, roughly: what there is to do, counted, times the minutes that each takes. Waiting
 * (for cement, for a test) and the way there are not in it. The minutes are those of `core/data/parts/hours.json`,
 * assumptions all; a crew sets its own.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type HoursRow array{
 *     id: string,
 *     what: string,
 *     count: int,
 *     minutes_each: float,
 *     minutes: float,
 *     note: string,
 *     source: Source,
 * }
 */
final readonly class Hours
{
    /** What is gone through by a hole. */
    private const HOLES = [
        ObstacleKind::Joist,
        ObstacleKind::EngineeredJoist,
        ObstacleKind::Truss,
        ObstacleKind::Stud,
        ObstacleKind::Plate,
        ObstacleKind::Wall,
        ObstacleKind::Slab,
    ];

    public function __construct(
        private JobLayout $layout,
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $rulebook,
    ) {}

    /** @return list<HoursRow> in the order of the table; nothing that does not occur, and nothing for an empty job */
    public function rows(): array
    {
        $counts = $this->counts();
        $rows = [];
        foreach ($this->catalogue->hours() as $id => $each) {
            $count = $counts[$id] ?? 0;
            if ($count > 0) {
                $rows[] = [
                    'id' => $id,
                    'what' => $each->what,
                    'count' => $count,
                    'minutes_each' => $each->value,
                    'minutes' => $count * $each->value,
                    'note' => $each->provenance->note,
                    'source' => $each->provenance->toArray(),
                ];
            }
        }

        return $rows;
    }

    /** @return array<string, int> by id of the table */
    private function counts(): array
    {
        $counts = ['cut' => 0, 'hanger' => 0, 'hole' => 0];
        foreach ($this->layout->runs as $run) {
            $counts['cut'] += count($run->pieces);
            $counts['hanger'] += count(
                (new RunHanging($run, $this->job, $this->catalogue, $this->rulebook))->places(),
            );
            foreach (JointRegister::entries($run) as $entry) {
                $kind = self::joint($entry['method']);
                $counts[$kind] = ($counts[$kind] ?? 0) + 1;
            }
        }
        $joiner = new EndJoiner($this->catalogue);
        foreach ($this->job->singles as $single) {
            $method = JointRegister::single($single, $this->job, $joiner, $this->rulebook)['method'];
            $counts[self::joint($method)] = ($counts[self::joint($method)] ?? 0) + 1;
        }
        foreach ($this->job->obstacles as $obstacle) {
            $counts['hole'] += in_array($obstacle->kind, self::HOLES, true) ? $obstacle->count : 0;
        }
        $isAnything = $this->layout->runs !== [] || $this->job->singles !== [];

        return $counts + ['set-up' => $isAnything ? 1 : 0, 'test' => $this->layout->runs === [] ? 0 : 1];
    }

    private static function joint(?string $method): string
    {
        $known = Method::tryFrom($method ?? '');

        return $known === null ? 'joint/open' : 'joint/'.strtok(MethodTexts::text($known)['family'], ' ');
    }
}
