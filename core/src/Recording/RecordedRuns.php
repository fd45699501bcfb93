<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Marks;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\JointNames;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Verdict\FindingReport;

/**
 * The runs of a job as they stand, joint by joint: how it was made, by whom and when, what was seen of it and found at
 * it since.
 *
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type RecordedJoint from RecordedJoints
 * @phpstan-import-type RecordedPicture from RecordedJoints
 * @phpstan-import-type WrittenAsBuilt from AsBuilt
 *
 * @phpstan-type RecordedPiece array{letter: string, size: string, cut: Reading|null, came: Reading|null}
 * @phpstan-type RecordedRun array{
 *     id: string,
 *     name: string,
 *     pipe: string,
 *     length: Reading,
 *     fall: Reading,
 *     pieces: list<RecordedPiece>,
 *     services: ?string,
 *     joints: list<RecordedJoint>,
 *     differs: list<SaidFinding>,
 *     built: WrittenAsBuilt,
 * }
 */
final readonly class RecordedRuns
{
    private Tape $tape;

    private SiteTimetable $table;

    public function __construct(
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $book,
        private SiteLog $log,
    ) {
        $this->tape = new Tape;
        $this->table = new SiteTimetable($catalogue, $book, $job->conditions);
    }

    /**
     * @param list<RunLayout> $layouts
     * @return list<RecordedRun>
     */
    public function list(array $layouts): array
    {
        return array_map($this->run(...), $layouts);
    }

    /** @return RecordedRun */
    private function run(RunLayout $layout): array
    {
        $times = new RunTimes($layout, $this->table);

        return [
            'id' => $layout->run->id,
            'name' => $layout->run->name,
            'pipe' => $layout->system->name,
            'length' => $this->tape->reading($layout->tapeMm),
            'fall' => $this->tape->reading($layout->fallMm()),
            'pieces' => array_map(
                fn (Piece $piece): array => [
                    'letter' => $piece->letter,
                    'size' => $piece->size,
                    'cut' => $piece->isCutKnown ? $this->tape->reading($piece->cutMm) : null,
                    'came' => $this->tape->readingOrNull(
                        $this->job->site->cut[$layout->run->id][$piece->key] ?? null,
                    ),
                ],
                $layout->pieces,
            ),
            'services' => $this->services($layout),
            'joints' => $this->joints($layout, $times),
            'built' => (new AsBuilt($this->job, $this->catalogue, $this->book))->ofRun($layout),
            'differs' => FindingReport::list(
                (new AsJoined($layout, $times))->findings($this->log),
                $this->job->units,
            ),
        ];
    }

    /** What was said of the services in the ground of a run; null: it is not in the ground. */
    private function services(RunLayout $layout): ?string
    {
        if ($layout->run->place->ground !== 'buried') {
            return null;
        }
        $entry = null;
        foreach ($this->log->of(EntryKind::Services) as $said) {
            $entry = ($said->content['run'] ?? '') === $layout->run->id ? $said : $entry;
        }

        if ($entry === null) {
            return 'nobody said that they were located';
        }
        $note = $entry->content['note'] ?? '';
        // To the minute, in the zone of the job: `2026-11-30 10:00`.
        $at = str_replace('T', ' ', substr($this->log->said($entry->at), 0, 16));

        return "located: {$note}, {$entry->by}, {$at}";
    }

    /** @return RecordedRun|null the joints outside the runs; null: there are none */
    public function outside(): ?array
    {
        $singles = new SingleJoints($this->job, $this->catalogue, $this->book);
        $joints = [];
        foreach ($this->job->singles as $n => $single) {
            $said = new RecordedJoints($this->log, SingleJoints::run($single), $this->job->units, new Marks);
            $joints[] = ['joint' => $n + 1, 'mark' => (string) ($n + 1)] +
                $said->joint(SingleJoints::NUMBER, $single->name, '', $singles->method($single));
        }

        return $joints === []
            ? null
            : [
                'id' => 'singles',
                'name' => 'Joints outside the runs',
                'pipe' => 'by themselves',
                'length' => $this->tape->reading(0.0),
                'fall' => $this->tape->reading(0.0),
                'pieces' => [],
                'services' => null,
                'joints' => $joints,
                'built' => ['hangers' => [], 'error_mm' => 0.0, 'findings' => []],
                'differs' => [],
            ];
    }

    /** @return list<RecordedJoint> */
    private function joints(RunLayout $layout, RunTimes $times): array
    {
        $names = new JointNames($layout);
        $said = new RecordedJoints($this->log, $layout->run->id, $this->job->units, $layout->run->marks);

        return array_map(
            static fn (Joint $joint): array => $said->joint(
                $joint->number,
                $names->nameOf($joint),
                $joint->size,
                $times->method($joint),
            ),
            $layout->joints,
        );
    }

    /** @return list<RecordedPicture> of the whole job */
    public function pictures(): array
    {
        $ofWhole = static fn (Entry $entry): bool => ! isset($entry->content['joint']);

        return RecordedJoints::pictures(
            array_values(array_filter($this->log->of(EntryKind::Photograph), $ofWhole)),
            $this->log,
        );
    }
}
