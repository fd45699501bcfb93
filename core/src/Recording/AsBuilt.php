<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Verdict\FindingReport;

/**
 * How a run came to hang against how it was planned: what was read at each hanger, by how much it is to be raised or
 * lowered, and whether what was read still falls as the book wants it.
 *
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type SaidFinding from FindingReport
 *
 * @phpstan-type BuiltHanger array{
 *     hanger: int,
 *     tape: Reading,
 *     planned: Reading,
 *     read: Reading,
 *     off_mm: float,
 *     move: 'raise'|'lower'|'leave',
 * }
 * @phpstan-type WrittenAsBuilt array{hangers: list<BuiltHanger>, error_mm: float, findings: list<SaidFinding>}
 */
final readonly class AsBuilt
{
    /** Findings on what was read. */
    private const READ = ['hang.readBack', 'hang.readFlat'];

    public function __construct(private Job $job, private Catalogue $catalogue, private Rulebook $book) {}

    /** @return WrittenAsBuilt */
    public function ofRun(RunLayout $layout): array
    {
        $error = $this->catalogue->assumption('hang.reading-error')->value;
        if (! isset($this->job->site->levels[$layout->run->id])) {
            return ['hangers' => [], 'error_mm' => $error, 'findings' => []];
        }
        $report = (new RunHanging($layout, $this->job, $this->catalogue, $this->book))->toArray();
        $hangers = [];
        foreach ($report['hangers'] as $hanger) {
            [$planned, $read, $off] = [$hanger['below_string'], $hanger['read'], $hanger['off_mm']];
            if ($planned === null || $read === null || $off === null) {
                continue;
            }
            $hangers[] = [
                'hanger' => $hanger['number'],
                'tape' => $hanger['tape'],
                'planned' => $planned,
                'read' => $read,
                'off_mm' => $off,
                // What lies within the error of reading is not moved: it would only be moved back.
                'move' => abs($off) <= $error ? 'leave' : ($off > 0.0 ? 'raise' : 'lower'),
            ];
        }

        return [
            'hangers' => $hangers,
            'error_mm' => $error,
            'findings' => array_values(
                array_filter(
                    $report['findings'],
                    static fn (array $finding): bool => in_array($finding['rule'], self::READ, true),
                ),
            ),
        ];
    }
}
