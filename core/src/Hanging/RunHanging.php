<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Material;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Evaluation\Tape;
use FallBend\Core\Job\Hanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Units;
use FallBend\Core\Reckon\FindingReport;
use FallBend\Core\Reckon\SourceList;
use FallBend\Core\Rules\Finding;
use FallBend\Core\Rules\Severity;
use FallBend\Core\Rules\Where;

/** How a run of a job is hung: every hanger with its place and what is measured down to it from a string, what hangs between two, how far each leg grows. */
final readonly class RunHanging
{
    /** A plain building: contents at room temperature where no fixture says hotter. */
    private const COOL_C = 23.0;

    private const SAME_MM = 0.5;

    /** Parts of a span that its shape is given in. */
    private const SHAPE = 24;

    private const STRING_INCH_MM = 101.6;

    private const STRING_MM = 100.0;

    /** Joints that let the pipe turn a little: a span over one of them is held as if it ended there. */
    private const HINGES = ['no-hub-shielded', 'shielded-transition', 'flexible-unshielded', 'hub-gasket', 'bell-gasket', 'push-fit', 'slip-joint', 'universal-compression'];

    /** What a hanger can be screwed to where the leg goes through several of them. */
    private const JOISTS = ['joist', 'joist-engineered', 'truss'];

    private ?Hanging $decided;

    private float $celsius;

    public function __construct(private RunLayout $layout, private Job $job, private Catalogue $catalogue, private Rulebook $rulebook)
    {
        $this->decided = $job->hanging[$layout->run->id] ?? null;
        $this->celsius = max(self::COOL_C, $layout->run->outlet->fixture->hotC ?? self::COOL_C);
    }

    /** @return array<string, mixed> see docs/openapi.json, HangingReport */
    public function toArray(): array
    {
        [$legs, $findings, $used] = [[], [], []];
        foreach ($this->layout->legs as $leg) {
            $spacing = Spacing::of($this->catalogue, $this->rulebook, $this->layout->system, $leg->line->size, $this->celsius);
            $legs[] = $this->supportLeg($leg, $spacing);
            array_push($findings, ...$spacing->findings($leg->line->number, $leg->isUpright(), $this->layout->system, $leg->line->size, $this->rulebook, $this->celsius));
            array_push($used, ...$spacing->provenances);
        }
        $hangers = $this->placed($legs);
        $material = $this->catalogue->material($this->layout->system->material);
        $spans = $this->spans($hangers, $legs, $material);
        $tape = new Tape;

        return [
            'hangers' => $this->hangers($hangers),
            'own' => $this->decided?->own !== null,
            'spans' => array_map(static fn (array $span): array => array_diff_key($span, ['finding' => 1]), $spans),
            'string' => $tape->of($this->stringMm()),
            'joist_every' => $tape->orNull($this->decided?->joistEveryMm),
            'joist_first' => $tape->orNull($this->decided?->joistEveryMm === null ? null : $this->decided->joistFirstMm),
            'expansion' => $this->expansion($material),
            'swing_c' => $this->swing(),
            'findings' => FindingReport::list([...self::unique($findings), ...Supports::onJoints($hangers), ...array_merge([], ...array_column($spans, 'finding'))], $this->job->units),
            'sources' => SourceList::of([...$used, $material?->provenance, $this->catalogue->assumption('temperature-swing')->provenance]),
        ];
    }

    /** @return list<Hanger> in the order of flow, as reckoned or as set by hand */
    public function places(): array
    {
        return $this->placed(array_map(fn (LegLaid $leg): SupportLeg => $this->supportLeg($leg, Spacing::of($this->catalogue, $this->rulebook, $this->layout->system, $leg->line->size, $this->celsius)), $this->layout->legs));
    }

    /**
     * @param list<SupportLeg> $legs
     * @return list<Hanger>
     */
    private function placed(array $legs): array
    {
        $reckoned = (new Supports($legs))->hangers();

        return $this->decided?->own === null ? $reckoned : $this->own($reckoned);
    }

    private function supportLeg(LegLaid $leg, Spacing $spacing): SupportLeg
    {
        $joints = [];
        foreach ($this->layout->joints as $joint) {
            $at = $joint->tapeMm - $leg->tapeMm;
            if ($at >= 0.0 && $at <= $leg->centreMm) {
                $joints[] = $at;
            }
        }
        [$every, $first] = $this->joists($leg);

        return SupportLeg::of($spacing, $leg->centreMm, $leg->isUpright(), $joints, $leg->line->number === 1 && $this->layout->run->outlet->kind === 'fixture' ? [0.0] : [], true, $every, $first);
    }

    /** @return array{?float, float} joists over a leg: those that it goes through, or those that somebody said */
    private function joists(LegLaid $leg): array
    {
        foreach ($this->job->obstacles as $obstacle) {
            if ($obstacle->run === $this->layout->run->id && $obstacle->leg === $leg->line->leg->id && in_array($obstacle->kind, self::JOISTS, true) && $obstacle->everyMm !== null) {
                return [$obstacle->everyMm, fmod($obstacle->atMm, $obstacle->everyMm)];
            }
        }

        return [$this->decided?->joistEveryMm, $this->decided->joistFirstMm ?? 0.0];
    }

    /**
     * Those set by hand, as far as their legs are still there; one that stands where it is reckoned too is that one.
     *
     * @param list<Hanger> $reckoned
     * @return list<Hanger>
     */
    private function own(array $reckoned): array
    {
        $hangers = [];
        foreach ($this->decided->own ?? [] as ['leg' => $id, 'at_mm' => $at]) {
            $leg = $this->layout->leg($id);
            if ($leg === null || $at > $leg->centreMm) {
                continue;
            }
            $number = $leg->line->number - 1;
            $same = array_values(array_filter($reckoned, static fn (Hanger $one): bool => $one->leg === $number && abs($one->atMm - $at) < self::SAME_MM));
            $hangers[] = $same[0] ?? new Hanger($number, $at, $leg->isUpright() ? 'bracket' : 'hanger', 'own', $this->isClear($leg->tapeMm + $at));
        }
        usort($hangers, static fn (Hanger $a, Hanger $b): int => [$a->leg, $a->atMm] <=> [$b->leg, $b->atMm]);

        return $hangers;
    }

    private function isClear(float $tapeMm): bool
    {
        $clear = $this->catalogue->assumption('hang-clear-joint')->value;
        foreach ($this->layout->joints as $joint) {
            if (abs($joint->tapeMm - $tapeMm) < $clear - 1e-6) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<Hanger> $hangers
     * @return list<array<string, mixed>>
     */
    private function hangers(array $hangers): array
    {
        [$tape, $report, $string, $before] = [new Tape, [], null, 0];
        foreach ($hangers as $n => $hanger) {
            $leg = $this->layout->legs[$hanger->leg];
            $crown = $leg->from->z + $leg->line->direction->z * $hanger->atMm + $this->layout->system->pipe($leg->line->size)->outsideMm / 2;
            // A string is drawn anew wherever the pipe goes up or down between two hangers.
            if ($leg->isUpright()) {
                $string = null;
            } elseif ($string === null || $this->isUprightBetween($before, $hanger->leg)) {
                $string = $crown + $this->stringMm();
            }
            $before = $hanger->leg;
            $report[] = ['number' => $n + 1, 'leg' => $leg->line->number, 'leg_id' => $leg->line->leg->id, 'at' => $tape->of($hanger->atMm), 'tape_mm' => $leg->tapeMm + $hanger->atMm, 'tape' => $tape->of($leg->tapeMm + $hanger->atMm),
                'kind' => $hanger->kind, 'why' => $hanger->why, 'clear' => $hanger->isClear, 'below_string' => $tape->orNull($string === null ? null : $string - $crown)];
        }

        return $report;
    }

    private function isUprightBetween(int $from, int $to): bool
    {
        for ($n = $from + 1; $n < $to; $n++) {
            if ($this->layout->legs[$n]->isUpright()) {
                return true;
            }
        }

        return false;
    }

    /**
     * What hangs between two hangers of level pipe, from the last before it to the first after.
     *
     * @param list<Hanger> $hangers
     * @param list<SupportLeg> $legs
     * @return list<array{from_tape_mm: float, to_tape_mm: float, length: array<string, mixed>, most: array<string, mixed>|null, over: bool, ends: string, sag: array<string, mixed>|null, pond: array<string, mixed>|null, longest: array<string, mixed>|null, fall_mm_per_m: float, outside_mm: float, pond_from_mm: ?float, pond_to_mm: ?float, shape_mm: list<float>, finding: list<Finding>}>
     */
    private function spans(array $hangers, array $legs, ?Material $material): array
    {
        $spans = [];
        foreach (array_slice($hangers, 1) as $n => $hanger) {
            $before = $hangers[$n];
            if ($legs[$hanger->leg]->isUpright || $legs[$before->leg]->isUpright || $this->isUprightBetween($before->leg, $hanger->leg)) {
                continue;
            }
            $leg = $this->layout->legs[$before->leg];
            [$from, $to] = [$leg->tapeMm + $before->atMm, $this->layout->legs[$hanger->leg]->tapeMm + $hanger->atMm];
            $isLast = $n === 0 || $n === count($hangers) - 2;
            $spans[] = $this->span($leg, $from, $to, $isLast, $material);
        }

        return $spans;
    }

    /** @return array{from_tape_mm: float, to_tape_mm: float, length: array<string, mixed>, most: array<string, mixed>|null, over: bool, ends: string, sag: array<string, mixed>|null, pond: array<string, mixed>|null, longest: array<string, mixed>|null, fall_mm_per_m: float, outside_mm: float, pond_from_mm: ?float, pond_to_mm: ?float, shape_mm: list<float>, finding: list<Finding>} */
    private function span(LegLaid $leg, float $from, float $to, bool $isLast, ?Material $material): array
    {
        $tape = new Tape;
        $pipe = $this->layout->system->pipe($leg->line->size);
        $filled = $material === null ? null : new FilledPipe($pipe, $material, 1.0);
        [$load, $stiffness] = [$filled?->loadNPerMm(), $filled?->stiffness($this->celsius, true)];
        $ends = $this->isHinged($from, $to) ? 'simple' : ($isLast ? 'end' : 'continuous');
        $beam = $load === null || $stiffness === null || $to - $from < 1.0 ? null : new Beam($to - $from, $load, $stiffness, $ends);
        $fall = max(0.0, -1000 * $leg->line->direction->z / max(1e-9, hypot($leg->line->direction->x, $leg->line->direction->y)));
        $pocket = $beam?->pocket($fall);
        $limit = $this->rulebook->forSize('support.level', $leg->line->size, $this->layout->system->key);
        $most = $limit?->value;
        $over = $most !== null && $to - $from > $most + 0.5;
        $where = new Where(leg: $leg->line->number, tapeMm: $from);
        $finding = [
            ...($over ? [new Finding('hang.gap', Severity::Warn, $where, $to - $from, $most, ['gap_mm' => $to - $from, 'most_mm' => $most, 'size' => $leg->line->size, 'book' => $this->rulebook->name], $limit->provenance)] : []),
            ...($pocket === null ? [] : [new Finding('sag.ponds', Severity::Warn, $where, $pocket['depth_mm'], 0.0, ['depth_mm' => $pocket['depth_mm'], 'length_mm' => $pocket['over_mm'] - $pocket['from_mm']])]),
        ];

        return ['from_tape_mm' => $from, 'to_tape_mm' => $to, 'length' => $tape->of($to - $from), 'most' => $tape->orNull($most), 'over' => $over, 'ends' => $ends, 'sag' => $tape->orNull($beam?->deflectionMm()), 'pond' => $tape->orNull($pocket['depth_mm'] ?? null),
            'longest' => $tape->orNull($beam?->longestSpanMm($fall)), 'fall_mm_per_m' => $fall, 'outside_mm' => $pipe->outsideMm, 'pond_from_mm' => $pocket['from_mm'] ?? null, 'pond_to_mm' => $pocket['over_mm'] ?? null,
            'shape_mm' => $beam === null ? [] : array_map(static fn (int $i): float => $beam->sagAt(($to - $from) * $i / self::SHAPE), range(0, self::SHAPE)), 'finding' => $finding];
    }

    private function isHinged(float $from, float $to): bool
    {
        if (! in_array($this->layout->system->ownJoint, self::HINGES, true)) {
            return false;
        }
        foreach ($this->layout->joints as $joint) {
            if ($joint->tapeMm > $from && $joint->tapeMm < $to) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{leg: int, growth: array<string, mixed>, pulls: string}> how far each leg grows, and on what: growth = share per °C · swing · length */
    private function expansion(?Material $material): array
    {
        $report = [];
        $tape = new Tape;
        if ($material === null) {
            return [];
        }
        foreach ($this->layout->legs as $n => $leg) {
            $next = $this->layout->legs[$n + 1] ?? null;
            $report[] = ['leg' => $leg->line->number, 'growth' => $tape->of($material->growthPerC * $this->swing() * $leg->centreMm), 'pulls' => $next === null ? $this->layout->run->tieIn->what : "leg {$next->line->number}"];
        }

        return $report;
    }

    private function swing(): float
    {
        return $this->decided->swingC ?? $this->catalogue->assumption('temperature-swing')->value;
    }

    private function stringMm(): float
    {
        return $this->decided->stringMm ?? ($this->job->units === Units::Inch ? self::STRING_INCH_MM : self::STRING_MM);
    }

    /**
     * @param list<Finding> $findings
     * @return list<Finding> each rule once: the legs of a run are of one pipe
     */
    private static function unique(array $findings): array
    {
        $unique = [];
        foreach ($findings as $finding) {
            $unique[$finding->rule] ??= $finding;
        }

        return array_values($unique);
    }
}
