<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeInterface;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Hanging\RunHangers;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Layout\JointNames;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Network\Network;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Site\JointStanding;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * The testing of a job at a stage: for a system of pipes that hang together what is plugged and filled, how it is
 * tested under its book, what was read and looked at, and how far it is; and how far the others are.
 *
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type WrittenFill from TestPlan
 * @phpstan-import-type WrittenOpening from TestPlan
 * @phpstan-import-type WrittenTest from SystemTests
 * @phpstan-import-type WrittenTestJoint from TestJoint
 *
 * @phpstan-type WrittenLoad array{run: string, name: string, litres: float, hanger_kg: ?float, hanger_at: Reading|null}
 * @phpstan-type WrittenMethod array{
 *     kind: value-of<TestKind>,
 *     name: string,
 *     say: string,
 *     pass: string,
 *     unit: string,
 *     reading: string,
 *     caution: string,
 *     required: ?float,
 *     required_length: Reading|null,
 *     applied: ?float,
 *     stand_min: float,
 *     minutes: ?float,
 *     loss_most: float,
 *     error: float,
 *     per_degree: ?float,
 *     refused: SaidFinding|null,
 *     sources: list<Source>,
 * }
 * @phpstan-type WrittenCheck array{
 *     key: string,
 *     do: string,
 *     say: string,
 *     asked: bool,
 *     ok: ?bool,
 *     by: ?string,
 *     at: ?string,
 * }
 * @phpstan-type WrittenSystem array{
 *     id: string,
 *     name: string,
 *     runs: list<array{id: string, name: string}>,
 *     length: Reading,
 *     state: value-of<SystemState>,
 *     ready_at: ?string,
 *     fill: WrittenFill|null,
 *     openings: list<WrittenOpening>,
 *     loads: list<WrittenLoad>,
 *     methods: list<WrittenMethod>,
 *     joints: list<WrittenTestJoint>,
 *     checks: list<WrittenCheck>,
 *     tests: list<WrittenTest>,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 * @phpstan-type TestedOutline array{name: string, state: SystemState, tests: list<WrittenTest>}
 * @phpstan-type WrittenTesting array{
 *     stage: value-of<Stage>,
 *     stages: list<array{key: value-of<Stage>, name: string, say: string}>,
 *     book: string,
 *     hose_l_per_min: float,
 *     system: WrittenSystem|null,
 *     others: list<array{id: string, name: string, state: value-of<SystemState>}>,
 *     singles: list<WrittenTestJoint>,
 * }
 */
final readonly class JobTesting
{
    private Tape $tape;

    private SiteTimetable $table;

    public function __construct(
        private Network $network,
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $book,
        private SiteLog $log,
    ) {
        $this->tape = new Tape;
        $this->table = new SiteTimetable($catalogue, $book, $job->conditions);
    }

    /**
     * @param string $run one of those that are tested together
     * @param ?float $hoseLPerMin what the hose gives; null: what is assumed
     * @return WrittenTesting without a system where the run has no pipe
     */
    public function toArray(Stage $stage, string $run, ?float $hoseLPerMin = null): array
    {
        [$of, $others] = [null, []];
        foreach (TestSystems::of($this->network) as $system) {
            if (in_array($run, $system->runs, true)) {
                $of = $system;
            } else {
                $others[] = $system;
            }
        }
        $hose = $hoseLPerMin ?? $this->catalogue->assumption('test.hose-flow')->value;

        return [
            'stage' => $stage->value,
            'stages' => array_map(
                static fn (Stage $one): array => ['key' => $one->value] + TestingTexts::stage($one),
                Stage::cases(),
            ),
            'book' => $this->book->name,
            'hose_l_per_min' => $hose,
            'system' => $of === null ? null : $this->system($of, $stage, $hose),
            'others' => array_map(
                fn (TestSystem $system): array => [
                    'id' => $system->id,
                    'name' => $this->nameOf($system),
                    'state' => $this->state($system, $stage)->value,
                ],
                $others,
            ),
            'singles' => $this->singles(),
        ];
    }

    /** @return list<WrittenTestJoint> joints outside the runs: they are looked at when water runs */
    private function singles(): array
    {
        $singles = new SingleJoints($this->job, $this->catalogue, $this->book);

        return array_map(function (SingleJoint $single) use ($singles): array {
            $run = SingleJoints::run($single);
            $standing = $this->log->joint($run, SingleJoints::NUMBER);
            $method = $singles->method($single);
            $joint = new TestJoint(
                $run,
                SingleJoints::NUMBER,
                '',
                $single->name,
                $method,
                $standing,
                $standing->made === null ? null : $singles->times($single, $method)?->fillMin,
            );

            return $joint->written($this->log->now);
        }, $this->job->singles);
    }

    /**
     * Gives how far each system is at each stage, with its tests, without what is filled and how.
     *
     * @return array<value-of<Stage>, list<TestedOutline>> by stage
     */
    public function outlines(): array
    {
        $outlines = [];
        foreach (TestSystems::of($this->network) as $system) {
            $joints = $this->joints($system);
            foreach (Stage::cases() as $stage) {
                [$testing, $tests] = $this->testing($system, $stage, $joints);
                $outlines[$stage->value][] = [
                    'name' => $this->nameOf($system),
                    'state' => $testing->state($this->checkKeys($stage, $tests)),
                    'tests' => $tests->written(),
                ];
            }
        }

        return $outlines;
    }

    private function state(TestSystem $system, Stage $stage): SystemState
    {
        [$testing, $tests] = $this->testing($system, $stage, $this->joints($system));

        return $testing->state($this->checkKeys($stage, $tests));
    }

    /** @return WrittenSystem */
    private function system(TestSystem $system, Stage $stage, float $hose): array
    {
        [$testing, $tests, $methods] = $this->testing($system, $stage, $this->joints($system));
        $water = null;
        foreach ($methods as $method) {
            $water ??= in_array($method->kind, [TestKind::Water, TestKind::TopUp], true) ? $method : null;
        }
        $plan = new TestPlan(
            $system,
            $stage,
            $water,
            $this->catalogue,
            $this->job->conditions,
            $hose,
            $this->job->units,
        );
        $names = $this->names($system);
        $findings = [
            ...$testing->findings($names),
            ...$plan->findings(),
            ...$this->bookSaysNothing($methods),
        ];

        return [
            'id' => $system->id,
            'name' => $this->nameOf($system),
            'runs' => array_map(
                static fn (string $run): array => ['id' => $run, 'name' => $names[$run]],
                $system->runs,
            ),
            'length' => $this->tape->reading($system->lengthMm()),
            'state' => $testing->state($this->checkKeys($stage, $tests))->value,
            'ready_at' => $testing->readyAt(),
            'fill' => $plan->fill(),
            'openings' => $plan->openings(),
            'loads' => $this->loads($system, $plan->levelMm),
            'methods' => array_map(
                fn (TestMethod $method): array => $this->method($method, $system),
                $methods,
            ),
            'joints' => $testing->joints(),
            'checks' => $this->checks($stage, $tests),
            'tests' => $tests->written(),
            'findings' => FindingReport::list($findings, $this->job->units),
            'sources' => SourceList::list($plan->sources()),
        ];
    }

    /**
     * @param list<TestJoint> $joints of the system
     * @return array{SystemTesting, SystemTests, list<TestMethod>}
     */
    private function testing(TestSystem $system, Stage $stage, array $joints): array
    {
        $methods = (new TestMethods($this->book, $this->catalogue))->of($stage, $this->metres($system));
        $tests = new SystemTests($this->log, $system->id, $stage, $methods);

        return [new SystemTesting($joints, $tests, $this->log->now), $tests, $methods];
    }

    private function nameOf(TestSystem $system): string
    {
        $more = count($system->runs) - 1;

        return $this->network->layout->runs[$system->id]->run->name.($more > 0 ? " and {$more} more" : '');
    }

    /** @return array<string, string> names of its runs, by id */
    private function names(TestSystem $system): array
    {
        $names = [];
        foreach ($system->runs as $run) {
            $names[$run] = $this->network->layout->runs[$run]->run->name;
        }

        return $names;
    }

    /** @return list<TestJoint> */
    private function joints(TestSystem $system): array
    {
        $joints = [];
        foreach ($system->runs as $run) {
            $layout = $this->network->layout->runs[$run];
            $times = new RunTimes($layout, $this->table);
            $names = new JointNames($layout);
            $standings = $this->log->joints($run);
            foreach ($layout->joints as $joint) {
                $standing = $standings[$joint->number] ?? new JointStanding;
                $joints[] = new TestJoint(
                    $run,
                    $joint->number,
                    $joint->mark,
                    $names->nameOf($joint),
                    $times->method($joint),
                    $standing,
                    $standing->made === null ? null : $times->times($joint)?->fillMin,
                );
            }
        }

        return $joints;
    }

    /** @return array<array-key, float> metres of pipe by size */
    private function metres(TestSystem $system): array
    {
        $metres = [];
        foreach ($system->runs as $run) {
            foreach ($this->network->layout->runs[$run]->legs as $leg) {
                $metres[$leg->line->size] = ($metres[$leg->line->size] ?? 0.0) + $leg->centreMm / 1_000;
            }
        }

        return $metres;
    }

    /** @return list<WrittenLoad> */
    private function loads(TestSystem $system, ?float $levelMm): array
    {
        if ($levelMm === null) {
            return [];
        }
        $litres = $system->litresByRun($levelMm);
        $loads = [];
        foreach ($system->runs as $run) {
            $layout = $this->network->layout->runs[$run];
            $hangers = new RunHangers($layout, $this->job, $this->catalogue, $this->book);
            $material = $this->catalogue->material($layout->system->material);
            $heaviest = $material === null || $hangers->isBedded()
                ? null
                : HangerLoads::heaviest($layout, $hangers->places(), $material);
            $loads[] = [
                'run' => $run,
                'name' => $layout->run->name,
                'litres' => $litres[$run],
                'hanger_kg' => $heaviest['kg'] ?? null,
                'hanger_at' => $this->tape->readingOrNull($heaviest['tape_mm'] ?? null),
            ];
        }

        return $loads;
    }

    /** @return WrittenMethod */
    private function method(TestMethod $method, TestSystem $system): array
    {
        $isLength = $method->kind !== TestKind::Air && $method->kind !== TestKind::Peppermint;

        return ['kind' => $method->kind->value] + TestingTexts::kind($method->kind) + [
            'required' => $method->required,
            'required_length' => $isLength ? $this->tape->readingOrNull($method->required) : null,
            'applied' => $method->applied,
            'stand_min' => $method->standMin,
            'minutes' => $method->minutes,
            'loss_most' => $method->lossMost,
            'error' => $method->error,
            'per_degree' => $method->perDegree(),
            'refused' => FindingReport::list($this->refusal($method, $system), $this->job->units)[0] ?? null,
            'sources' => SourceList::list($method->sources),
        ];
    }

    /** @return list<Finding> compressed air is let into nothing that may be plastic, unless the book takes it */
    private function refusal(TestMethod $method, TestSystem $system): array
    {
        $row = $this->book->limit('test.air.plastic');
        $plastics = [];
        foreach ($method->kind === TestKind::Air ? $system->runs : [] as $run) {
            $of = $this->network->layout->runs[$run]->system;
            if (! SiteTimetable::isMetal($of)) {
                $plastics[$of->key] = $of->name;
            }
        }

        return $plastics === [] || ($row->value ?? 0.0) >= 1.0
            ? []
            : [
                new Finding(
                    RuleId::TestAirOnPlastic,
                    Severity::Stop,
                    new Where,
                    params: ['systems' => implode(', ', $plastics)],
                    source: $row?->provenance,
                ),
            ];
    }

    /**
     * @param list<TestMethod> $methods
     * @return list<Finding>
     */
    private function bookSaysNothing(array $methods): array
    {
        $known = array_filter($methods, static fn (TestMethod $one): bool => $one->minutes !== null);

        return $known === []
            ? [
                new Finding(
                    RuleId::TestBookSaysNothing,
                    Severity::Unknown,
                    new Where,
                    params: ['book' => $this->book->name],
                ),
            ]
            : [];
    }

    /** @return list<string> of what must be looked at; what is looked at only where somebody asks for it aside */
    private function checkKeys(Stage $stage, SystemTests $tests): array
    {
        $must = array_filter(
            TestingTexts::checks($stage, $this->book->id, $tests->lastKind()),
            static fn (array $check): bool => ! ($check['asked'] ?? false),
        );

        return array_column($must, 'key');
    }

    /** @return list<WrittenCheck> */
    private function checks(Stage $stage, SystemTests $tests): array
    {
        $said = $tests->checks();
        $phrasing = new Phrasing($this->job->units);
        $params = array_filter(
            [
                'times' => $this->book->limit('test.discharge.times')?->value,
                'seal_mm' => $this->book->limit('test.discharge.seal')?->value,
            ],
            static fn (?float $value): bool => $value !== null,
        );

        return array_map(
            static fn (array $check): array => [
                'key' => $check['key'],
                'do' => $check['do'],
                'say' => $phrasing->filled($check['say'], $params),
                'asked' => $check['asked'] ?? false,
                'ok' => ($said[$check['key']] ?? null)?->content['ok'] ?? null,
                'by' => ($said[$check['key']] ?? null)?->by,
                'at' => ($said[$check['key']] ?? null)?->at->format(DateTimeInterface::ATOM),
            ],
            TestingTexts::checks($stage, $this->book->id, $tests->lastKind()),
        );
    }
}
