<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Job\CuttingSettings;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\SourceList;
use FallBend\Core\Verdict\Where;

/**
 * What has to be cut in a job, from which sticks, and how what was cut already moves what is left.
 *
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type MeasureFirst from WorthMeasuring
 *
 * @phpstan-type Objective value-of<StockCutter::OBJECTIVES>
 * @phpstan-type PlannedPipe array{
 *     system: string,
 *     size: string,
 *     stock: list<StockLength>,
 *     plan: CutPlan,
 *     objective: Objective,
 * }
 * @phpstan-type ToStick array{number: int, mm: float, hubs: string, tight: bool}
 * @phpstan-type CuttingReport array{
 *     pieces: list<CutPiece>,
 *     measure: list<MeasureFirst>,
 *     printed: array{on: string, gone: list<string>}|null,
 *     groups: list<CutGroup>,
 *     kerf: Reading,
 *     saws: list<array{name: string, kerf: Reading}>,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 * @phpstan-type CutPiece array{
 *     key: string,
 *     letter: string,
 *     planned: Reading,
 *     now: Reading,
 *     moved_mm: float,
 *     doubt: Reading|null,
 *     long: Reading|null,
 *     cut: bool,
 *     ends: list<string>,
 *     stick: array{
 *         number: int,
 *         length: Reading,
 *         hubs: string,
 *         tight: bool,
 *     }|null,
 *     from_face: Reading|null,
 *     printed: Reading|null,
 *     since: 'same'|'other'|'new'|null,
 *     then: FormOfCut|null,
 * }
 * @phpstan-type FormOfCut array{
 *     within_mm: float,
 *     taken: bool,
 *     others: list<array{key: string, zero_mm: float, per_mm: float}>,
 * }
 * @phpstan-type CutGroup array{
 *     system: string,
 *     size: string,
 *     letters: string,
 *     objective: Objective,
 *     sticks: list<StickReport>,
 *     used: float,
 *     bound: float,
 *     optimal: bool,
 * }
 * @phpstan-type StickReport array{
 *     length: Reading,
 *     hubs: string,
 *     offcut: Reading,
 *     enough: float,
 *     tight: bool,
 *     cuts: list<array{
 *         run: string,
 *         key: string,
 *         letter: string,
 *         length: Reading,
 *     }>,
 * }
 */
final readonly class JobCutting
{
    /** What one plan may look at while somebody waits: well under a second. */
    private const EFFORT = 400_000;

    /** What may be looked at for room in the sticks of a plan. */
    private const ROOM_EFFORT = 100_000;

    /** Of a run with so many pieces what follows from a cut is sent along, to be added up where there is no line. */
    private const MOST_ADDED_UP = 40;

    /** What is nearer than this nobody notices at a branch. */
    private const NOTICED_MM = 0.8;

    /** What cuts pipe, by how much of it goes with the cut. */
    private const SAWS = ['kerf.hand-saw', 'kerf.reciprocating-saw', 'kerf.mitre-saw', 'kerf.cutter'];

    private CuttingSettings $settings;

    private OnSite $done;

    /** @var array<string, MeasuredBack> by run */
    private array $back;

    /**
     * @param array<string, RunToCut> $runs all of the job, by id
     * @param Job $job for what was cut of it and is there to cut from, and its words and units
     * @param ?Effort $effort ends the planning of sticks when time or memory is over
     */
    public function __construct(
        private array $runs,
        private Job $job,
        private Catalogue $catalogue,
        private ?Effort $effort = null,
    ) {
        [$this->settings, $this->done] = [$job->cutting, $job->site];
        $this->back = array_map(
            fn (RunToCut $run): MeasuredBack => new MeasuredBack($run->pieces, $this->done->cut[$run->id] ?? []),
            $runs,
        );
    }

    /** @return CuttingReport */
    public function ofRun(string $run): array
    {
        [$toCut, $tape, $plans] = [$this->runs[$run], new Tape, $this->plans()];
        [$groups, $findings] = $this->groups($plans);
        $printed = $this->done->printed[$run] ?? null;
        $system = $this->catalogue->system($toCut->system);

        return [
            'pieces' => $this->pieces($toCut, $tape, $this->sticks($plans)),
            'measure' => $this->worthMeasuring(),
            'printed' => $printed === null ? null : ['on' => $printed->on, 'gone' => $this->gone($run)],
            'groups' => $groups,
            'kerf' => $tape->reading($this->kerf()),
            'saws' => array_map(
                fn (string $saw): array => [
                    'name' => $this->catalogue->assumption($saw)->what,
                    'kerf' => $tape->reading($this->catalogue->assumption($saw)->value),
                ],
                self::SAWS,
            ),
            'findings' => FindingReport::list([...$findings, ...$this->findings($toCut)], $this->job->units),
            'sources' => SourceList::list([
                ...array_map(fn (string $row): Provenance => $this->catalogue->assumption($row)->provenance, [
                    'saw-kerf',
                    'reading-error',
                    'cutting-error',
                ]),
                ...array_map(
                    static fn (Piece $piece): Provenance => $system->pipe($piece->size)->provenance,
                    $toCut->pieces,
                ),
            ]),
        ];
    }

    /** @return list<MeasureFirst> fittings that are worth measuring, of the whole job, the most useful first */
    public function worthMeasuring(): array
    {
        return (new WorthMeasuring($this->runs, $this->done))->fittings();
    }

    /** @return list<Finding> on what comes of pieces that came out as they did */
    private function findings(RunToCut $run): array
    {
        $back = $this->back[$run->id];
        $findings = [];
        foreach ($run->pieces as $piece) {
            $length = $back->lengths[$piece->key];
            $isCut = isset($this->done->cut[$run->id][$piece->key]);
            if (! $isCut && Tolerance::isUnder($length, $piece->leastMm, Tolerance::TAPE_MM)) {
                $findings[] = new Finding(
                    RuleId::CutTooShort,
                    Severity::Stop,
                    new Where(leg: $piece->leg, piece: $piece->letter),
                    $length,
                    $piece->leastMm,
                    ['piece' => $piece->letter, 'length_mm' => max(0.0, $length), 'least_mm' => $piece->leastMm],
                );
            }
        }
        array_push($findings, ...$this->movedBranches($run));
        $missed = $back->missed->length();
        if ($missed > Tolerance::TAPE_MM) {
            $params = ['missed_mm' => $missed];
            $findings[] = new Finding(RuleId::CutMissed, Severity::Warn, new Where, $missed, 0.0, $params);
        }

        return $findings;
    }

    /** @return array<string, float> what every piece of a run is to be cut to now, or was cut to, by key */
    public function lengths(string $run): array
    {
        return $this->back[$run]->lengths;
    }

    /**
     * Gives whether a piece is the `same` as on the ticket that was printed last, `other`, or `new`; null where none
     * was printed, or it is cut. What stands on paper is what a tape says in the job's units.
     *
     * @return 'same'|'other'|'new'|null
     */
    public function since(string $run, Piece $piece): ?string
    {
        $printed = $this->done->printed[$run] ?? null;
        if ($printed === null || isset($this->done->cut[$run][$piece->key])) {
            return null;
        }
        [$was, $unit, $tape] = [
            $printed->pieces[$piece->key]['length_mm'] ?? null,
            $this->job->units === Units::Inch ? 'inch' : 'metric',
            new Tape,
        ];

        return $was === null
            ? 'new'
            : ($tape->reading($was)[$unit] === $tape->reading($this->back[$run]->lengths[$piece->key])[$unit]
                ? 'same'
                : 'other');
    }

    /** @return list<string> letters that stand on the ticket printed last, of pieces that there are no longer */
    public function gone(string $run): array
    {
        return array_column(
            array_diff_key(
                $this->done->printed[$run]->pieces ?? [],
                array_column($this->runs[$run]->pieces, null, 'key'),
            ),
            'letter',
        );
    }

    /**
     * @param array<string, ToStick> $sticks
     * @return list<CutPiece>
     */
    private function pieces(RunToCut $toCut, Tape $tape, array $sticks): array
    {
        [$run, $ends] = [$toCut->id, $this->ends($toCut->id)];

        return array_map(function (Piece $piece) use ($run, $tape, $ends, $sticks): array {
            $now = $this->back[$run]->lengths[$piece->key];

            return [
                'key' => $piece->key,
                'letter' => $piece->letter,
                'planned' => $tape->reading($piece->cutMm),
                'now' => $tape->reading($now),
                'moved_mm' => $now - $piece->cutMm,
                ...$this->long($run, $piece, $tape),
                'cut' => isset($this->done->cut[$run][$piece->key]),
                'ends' => [$ends[$piece->jointFrom] ?? '', $ends[$piece->jointTo] ?? ''],
                'stick' => self::ofStick($sticks["{$run}|{$piece->key}"] ?? null, $tape),
                'from_face' => $tape->readingOrNull($piece->fromFaceMm($this->longMm($run, $piece) ?? $now)),
                'printed' => $tape->readingOrNull($this->done->printed[$run]->pieces[$piece->key]['length_mm'] ?? null),
                'since' => $this->since($run, $piece),
                // Where pieces are many nobody adds up by hand what follows from one: it is asked.
                'then' => count($this->runs[$run]->pieces) > self::MOST_ADDED_UP
                    ? null
                    : $this->back[$run]->whenCut($piece->key),
            ];
        }, $toCut->pieces);
    }

    /**
     * @param ToStick|null $stick
     * @return array{number: int, length: Reading, hubs: string, tight: bool}|null
     */
    private static function ofStick(?array $stick, Tape $tape): ?array
    {
        return $stick === null
            ? null
            : [
                'number' => $stick['number'],
                'length' => $tape->reading($stick['mm']),
                'hubs' => $stick['hubs'],
                'tight' => $stick['tight'],
            ];
    }

    /**
     * Gives what the ends of pieces want at the joints of a run, in the units of the job.
     *
     * @return array<string, string> by key of the joint; empty where the method is not settled
     */
    public function ends(string $run): array
    {
        $phrasing = new Phrasing($this->job->units);

        return array_map(static fn (string $end): string => $phrasing->filled($end, []), $this->runs[$run]->ends);
    }

    /**
     * Gives the length that a piece is cut to first, long by what its fittings may be off, mm; null where nothing is
     * off, or it is cut.
     */
    public function longMm(string $run, Piece $piece): ?float
    {
        return $piece->doubtMm() > 0.0 && $piece->isCutKnown && ! isset($this->done->cut[$run][$piece->key])
            ? $this->back[$run]->lengths[$piece->key] + $piece->doubtMm()
            : null;
    }

    /** @return array{doubt: Reading|null, long: Reading|null} */
    private function long(string $run, Piece $piece, Tape $tape): array
    {
        $long = $this->longMm($run, $piece);

        return [
            'doubt' => $long === null ? null : $tape->reading($piece->doubtMm()),
            'long' => $tape->readingOrNull($long),
        ];
    }

    /**
     * Gives the stick that each piece comes from.
     *
     * @param list<PlannedPipe> $plans
     * @return array<string, ToStick> by run and piece: the stick that it comes from, by its number among those of its
     *     pipe
     */
    public function sticks(array $plans): array
    {
        [$sticks, $slack] = [[], $this->slack()];
        foreach ($plans as ['plan' => $plan, 'stock' => $stock]) {
            foreach ($plan->sticks as $n => $stick) {
                [$tight, $from] = [$slack->isTight($stick), $stock[$stick->stock]];
                foreach ($stick->cuts as ['tag' => $tag]) {
                    $sticks[$tag] = [
                        'number' => $n + 1,
                        'mm' => $from->soldMm(),
                        'hubs' => $from->hubsInWords(),
                        'tight' => $tight,
                    ];
                }
            }
        }

        return $sticks;
    }

    /**
     * Branches that stand on the leg of a piece that came out otherwise: the piece before one moves it, and the run
     * that enters there with it.
     *
     * @return list<Finding>
     */
    private function movedBranches(RunToCut $run): array
    {
        $findings = [];
        foreach ($run->pieces as $piece) {
            $off = ($this->done->cut[$run->id][$piece->key] ?? $piece->cutMm) - $piece->cutMm;
            $branch = $run->branches[$piece->key] ?? null;
            if ($branch !== null && abs($off) > self::NOTICED_MM) {
                $findings[] = new Finding(
                    RuleId::CutBranchMoves,
                    Severity::Warn,
                    new Where(leg: $piece->leg, piece: $piece->letter),
                    abs($off),
                    null,
                    [
                        'piece' => $piece->letter,
                        'off_mm' => abs($off),
                        'way' => $off > 0 ? 'down' : 'up',
                        'run' => $this->job->run($branch)->name ?? $branch,
                    ],
                );
            }
        }

        return $findings;
    }

    /**
     * Gives the plan for every pipe of the job: what is not cut yet, from the sticks that it is sold in or those that
     * the crew has.
     *
     * @return list<PlannedPipe> no stock where the catalogue states no stick
     */
    public function plans(): array
    {
        $plans = [];
        foreach ($this->stocks() as ['system' => $system, 'size' => $size, 'stock' => $stock, 'parts' => $parts]) {
            $objective =
                $this->settings->objective === 'price' &&
                in_array(null, array_map(static fn (StockLength $one): ?float => $one->price, $stock), true)
                    ? 'length'
                    : $this->settings->objective;
            $plans[] = [
                'system' => $system,
                'size' => $size,
                'stock' => $stock,
                'objective' => $objective,
                'plan' => $stock === [] ? new CutPlan([], $parts, 0.0, 0.0, false) : $this->plan($stock, $parts, $objective),
            ];
        }

        return $plans;
    }

    /**
     * @param non-empty-list<StockLength> $stock
     * @param list<CutPart> $parts
     */
    private function plan(array $stock, array $parts, string $objective): CutPlan
    {
        $plan = (new StockCutter(
            $stock,
            $this->kerf(),
            $parts,
            $objective,
            self::EFFORT * $this->settings->effort,
            $this->effort,
        ))->plan();

        return $this->slack()->spread($plan, $stock, $parts, $objective, self::ROOM_EFFORT, $this->effort);
    }

    private function slack(): Slack
    {
        return new Slack(
            $this->kerf(),
            $this->catalogue->assumption('reading-error')->value,
            $this->catalogue->assumption('cutting-error')->value,
        );
    }

    /**
     * @return list<array{system: string, size: string, stock: list<StockLength>, parts: list<CutPart>}> what there is
     *     of every pipe, and what is to be cut from it
     */
    public function stocks(): array
    {
        $stocks = [];
        foreach ($this->parts() as $key => $parts) {
            [$system, $size] = explode(' ', $key);
            $stocks[] = [
                'system' => $system,
                'size' => $size,
                'stock' => $this->stock($system, $this->catalogue->system($system)->pipe($size)),
                'parts' => $parts,
            ];
        }

        return $stocks;
    }

    /**
     * @param list<PlannedPipe> $plans
     * @return array{list<CutGroup>, list<Finding>}
     */
    private function groups(array $plans): array
    {
        [$groups, $findings] = [[], []];
        foreach ($plans as $planned) {
            if ($planned['stock'] === []) {
                $findings[] = new Finding(
                    RuleId::CutNoStick,
                    Severity::Unknown,
                    new Where,
                    params: [
                        'system' => $this->catalogue->system($planned['system'])->name,
                        'size' => $planned['size'],
                    ],
                );

                continue;
            }
            $groups[] = $this->group($planned);
            array_push($findings, ...CutFindings::notEnough(count($planned['plan']->left)));
        }

        return [$groups, $findings];
    }

    /**
     * @param PlannedPipe $planned
     * @return CutGroup
     */
    private function group(array $planned): array
    {
        ['system' => $system, 'size' => $size, 'stock' => $stock, 'plan' => $plan] = $planned;
        [$tape, $slack] = [new Tape, $this->slack()];

        return [
            'system' => $system,
            'size' => $size,
            'letters' => $this->catalogue->system($system)->letters,
            'objective' => $planned['objective'],
            'sticks' => array_map(
                fn (CutStick $stick): array => $this->stick($stick, $stock[$stick->stock], $tape, $slack),
                $plan->sticks,
            ),
            'used' => $plan->used,
            'bound' => $plan->bound,
            'optimal' => $plan->isOptimal,
        ];
    }

    /** @return StickReport */
    private function stick(CutStick $stick, StockLength $from, Tape $tape, Slack $slack): array
    {
        $enough = $slack->chance($stick);

        return [
            'length' => $tape->reading($from->soldMm()),
            'hubs' => $from->hubsInWords(),
            'offcut' => $tape->reading($stick->offcutMm),
            'enough' => $enough,
            'tight' => $enough < Slack::SURE,
            'cuts' => array_map(function (array $cut) use ($tape): array {
                [$run, $key] = explode('|', $cut['tag']);
                $letters = array_column($this->runs[$run]->pieces, 'letter', 'key');

                return [
                    'run' => $run,
                    'key' => $key,
                    'letter' => $letters[$key],
                    'length' => $tape->reading($cut['mm']),
                ];
            }, $stick->cuts),
        ];
    }

    /**
     * @return array<string, list<CutPart>> by system and size; those that are cut are not cut again, and nothing is cut
     *     by a length that nobody knows
     */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->runs as $run => $toCut) {
            foreach ($toCut->pieces as $piece) {
                $length = $this->back[$run]->lengths[$piece->key];
                if (! isset($this->done->cut[$run][$piece->key]) && $piece->isCutKnown && $length >= 1.0) {
                    // Cut long, and trimmed after the dry fit.
                    $long = $length + $piece->doubtMm();
                    $parts["{$toCut->system} {$piece->size}"][] = new CutPart(
                        "{$run}|{$piece->key}",
                        $long,
                        hasHub: $piece->hub !== null,
                    );
                }
            }
        }

        return $parts;
    }

    /** @return list<StockLength> */
    private function stock(string $system, Pipe $pipe): array
    {
        $own = array_values(
            array_filter(
                $this->settings->stock,
                static fn (array $one): bool => $one['system'] === $system && $one['size'] === $pipe->size,
            ),
        );

        $hasHubs = $this->catalogue->system($system)->hasHubs();

        return $own === []
            ? [
                ...array_map(
                    static fn (float $mm): StockLength => new StockLength($mm, hubs: $hasHubs ? 1 : null),
                    $pipe->sticksMm,
                ),
                // Cut in two, a stick with a hub at either end makes two pieces; both hubs are within its length.
                ...array_map(
                    static fn (float $mm): StockLength => new StockLength(
                        $mm - $pipe->socketDepthMm,
                        hubs: 2,
                        soldMm: $mm,
                    ),
                    $hasHubs ? $pipe->sticksMm : [],
                ),
            ]
            : array_map(
                static fn (array $one): StockLength => new StockLength(
                    $one['length_mm'],
                    $one['price'],
                    $one['available'],
                    $hasHubs ? 1 : null,
                ),
                $own,
            );
    }

    /** Gives the width of the cut. */
    public function kerf(): float
    {
        return $this->settings->kerfMm ?? $this->catalogue->assumption('saw-kerf')->value;
    }
}
