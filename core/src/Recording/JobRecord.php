<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Network\Network;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Testing\CurveState;
use FallBend\Core\Testing\JobTesting;
use FallBend\Core\Testing\Stage;
use FallBend\Core\Testing\SystemState;
use FallBend\Core\Testing\TestingTexts;
use FallBend\Core\Testing\TestKind;

/**
 * The record of a job: what stands, joint by joint, with who made it, when and how, what was tested, what differs from
 * plan and book, what has to stay within reach, and who stands for it.
 *
 * @phpstan-import-type RecordedNote from RecordedJoints
 * @phpstan-import-type RecordedPicture from RecordedJoints
 * @phpstan-import-type RecordedRun from RecordedRuns
 * @phpstan-import-type TestedOutline from JobTesting
 *
 * @phpstan-type RecordedTest array{
 *     stage: string,
 *     system: string,
 *     name: string,
 *     begun_at: string,
 *     until: ?string,
 *     by: string,
 *     state: value-of<CurveState>,
 *     said: string,
 *     loss: float,
 *     unit: string,
 *     readings: int,
 * }
 * @phpstan-type RecordedSignature array{
 *     name: string,
 *     role: string,
 *     at: string,
 *     by: string,
 *     number: int,
 *     hash: string,
 *     revision: ?int,
 *     brought: bool,
 *     holds: bool,
 * }
 * @phpstan-type WrittenRecord array{
 *     name: string,
 *     place: string,
 *     book: string,
 *     units: value-of<Units>,
 *     from: ?string,
 *     to: ?string,
 *     people: list<string>,
 *     joints: int,
 *     made: int,
 *     wrong: int,
 *     systems: list<array{name: string, stage: string, state: value-of<SystemState>}>,
 *     runs: list<RecordedRun>,
 *     tests: list<RecordedTest>,
 *     notes: list<RecordedNote>,
 *     pictures: list<RecordedPicture>,
 *     overrides: list<array{what: string, value: string, source: string}>,
 *     reach: list<array{what: string, why: string}>,
 *     signatures: list<RecordedSignature>,
 *     entries: int,
 *     hash: string,
 * }
 */
final readonly class JobRecord
{
    public function __construct(
        private Network $network,
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $book,
        private SiteLog $log,
    ) {}

    /**
     * @param string $document hash of the document as it is now: what was signed holds for that alone
     * @return WrittenRecord
     */
    public function toArray(string $document): array
    {
        $entries = $this->log->entries;
        $recorded = new RecordedRuns($this->job, $this->catalogue, $this->book, $this->log);
        $outside = $recorded->outside();
        $runs = [
            ...$recorded->list(array_values($this->network->layout->runs)),
            ...$outside === null ? [] : [$outside],
        ];
        $joints = array_merge(...array_column($runs, 'joints'));
        $isThere = static fn (mixed $value): bool => $value !== null;
        $testing = new JobTesting($this->network, $this->job, $this->catalogue, $this->book, $this->log);
        $testings = $testing->outlines();
        $last = $this->log->last();

        return [
            'name' => $this->job->name,
            'place' => $this->job->place,
            'book' => $this->book->name,
            'units' => $this->job->units->value,
            'from' => isset($entries[0]) ? $this->log->said($entries[0]->at) : null,
            'to' => $last === null ? null : $this->log->said($last->at),
            'people' => array_values(array_unique(array_map(static fn (Entry $one): string => $one->by, $entries))),
            'joints' => count($joints),
            'made' => count(array_filter(array_column($joints, 'made_at'), $isThere)),
            'wrong' => count(array_filter(array_column($joints, 'trouble'), $isThere)),
            'systems' => self::systems($testings),
            'runs' => $runs,
            'tests' => self::tests($testings),
            'notes' => RecordedJoints::notes($this->log->of(EntryKind::Note), $this->log),
            'pictures' => $recorded->pictures(),
            'overrides' => $this->overrides(),
            'reach' => $this->withinReach(),
            'signatures' => $this->signatures($document),
            'entries' => $last->number ?? 0,
            'hash' => $last->hash ?? '',
        ];
    }

    /**
     * @param array<value-of<Stage>, list<TestedOutline>> $testings by stage
     * @return list<array{name: string, stage: string, state: value-of<SystemState>}> of every stage that was begun
     */
    private static function systems(array $testings): array
    {
        $systems = [];
        foreach ($testings as $stage => $testing) {
            foreach ($testing as $system) {
                if ($system['tests'] !== [] || $stage === Stage::RoughIn->value) {
                    $systems[] = ['name' => $system['name'], 'stage' => $stage, 'state' => $system['state']->value];
                }
            }
        }

        return $systems;
    }

    /**
     * @param array<value-of<Stage>, list<TestedOutline>> $testings by stage
     * @return list<RecordedTest> in the order in which they were begun
     */
    private static function tests(array $testings): array
    {
        $tests = [];
        foreach ($testings as $stage => $testing) {
            foreach ($testing as $system) {
                foreach ($system['tests'] as $test) {
                    $text = TestingTexts::kind(TestKind::from($test['what']));
                    $tests[$test['number']] = [
                        'stage' => $stage,
                        'system' => $system['name'],
                        'name' => $text['name'],
                        'begun_at' => $test['begun_at'],
                        'until' => $test['until'],
                        'by' => $test['by'],
                        'state' => $test['state'],
                        'said' => TestingTexts::state(CurveState::from($test['state'])),
                        'loss' => $test['loss'],
                        'unit' => $text['unit'],
                        'readings' => count($test['readings']),
                    ];
                }
            }
        }
        ksort($tests);

        return array_values($tests);
    }

    /** @return list<array{what: string, value: string, source: string}> numbers that are other here */
    private function overrides(): array
    {
        $overrides = [];
        foreach ($this->job->rulebookOverrides as $override) {
            $threshold = $this->book->threshold($override->threshold);
            $overrides[] = [
                'what' => $threshold === null || $threshold->title === '' ? $override->threshold : $threshold->title,
                'value' => trim(round($override->value, 3).' '.str_replace('_', ' ', $threshold->unit ?? '')),
                'source' => $override->source,
            ];
        }
        foreach ($this->job->catalogueOverrides as $override) {
            $overrides[] = [
                'what' => $override->inWords($this->job->units),
                'value' => str_ends_with($override->field, '_mm')
                    ? (new Tape)->long($override->value, $this->job->units)
                    : (string) round($override->value, 3),
                'source' => $override->source,
            ];
        }

        return $overrides;
    }

    /** @return list<array{what: string, why: string}> what has to stay within reach */
    private function withinReach(): array
    {
        $reach = [];
        foreach ($this->network->layout->runs as $layout) {
            foreach ([$layout->run->outlet, $layout->run->tieIn] as $end) {
                $why = match ($end->kind) {
                    RunEndKind::Cleanout => 'Cleanout: room to open it and to rod.',
                    RunEndKind::Valve => 'Air admittance valve: it has a moving part, and needs air.',
                    RunEndKind::TrapAdapter => 'Slip nut: it is opened to clean the trap.',
                    RunEndKind::Gully => 'Gully: it is emptied now and then.',
                    default => null,
                };
                if ($why !== null) {
                    $reach[] = ['what' => "{$layout->run->name}: {$end->thing()}", 'why' => $why];
                }
            }
        }

        return $reach;
    }

    /** @return list<RecordedSignature> */
    private function signatures(string $document): array
    {
        $said = $this->log->lastBeforeSigning();

        return array_map(
            fn (Entry $entry): array => [
                'name' => $entry->content['name'] ?? '',
                'role' => $entry->content['role'] ?? '',
                'at' => $this->log->said($entry->at),
                'by' => $entry->by,
                'number' => $entry->number,
                'hash' => $entry->hash,
                'revision' => $entry->content['revision'] ?? null,
                'brought' => $entry->isBrought,
                // Whoever can write a file can write a name into it: it stands for nothing here.
                'holds' => ! $entry->isBrought &&
                    $entry->number > $said &&
                    ($entry->content['document'] ?? '') === $document,
            ],
            $this->log->of(EntryKind::Signed),
        );
    }
}
