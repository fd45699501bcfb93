<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Material;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Job\FramingKind;
use FallBend\Core\Job\Hanging;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
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
 * How a run of a job is hung: every hanger with its place and what is measured down to it from a string, what hangs
 * between two, how far each leg grows.
 *
 * @phpstan-import-type SpanReport from Span
 * @phpstan-import-type Reading from Tape
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type HangingReport array{
 *     hangers: list<HangerReport>,
 *     own: bool,
 *     spans: list<SpanReport>,
 *     string: Reading,
 *     framing: FramingReport|null,
 *     storey: Reading|null,
 *     floor: Reading|null,
 *     upright: bool,
 *     expansion: list<StraightReport>,
 *     allowances: list<array{tape_mm: float, tape: Reading}>,
 *     swing_c: float,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 * @phpstan-type HangerReport array{
 *     number: int,
 *     leg: int,
 *     leg_id: string,
 *     leg_mm: float,
 *     at: Reading,
 *     tape_mm: float,
 *     tape: Reading,
 *     kind: value-of<HangerKind>,
 *     why: value-of<HangerReason>,
 *     clear: bool,
 *     hold: 'fast'|'slides'|null,
 *     braced: bool,
 *     face: array{name: string, at: Reading}|null,
 *     below_string: Reading|null,
 *     read: Reading|null,
 *     off_mm: ?float,
 * }
 * @phpstan-type FramingReport array{
 *     kind: value-of<FramingKind>,
 *     every: Reading,
 *     first: Reading,
 * }
 * @phpstan-type StraightReport array{
 *     leg: int,
 *     from_tape_mm: float,
 *     length: Reading,
 *     growth: Reading,
 *     fixed: value-of<StraightStretch::FIXED>,
 *     hanger: ?int,
 *     ends: list<array{
 *         way: 'up'|'down',
 *         move: Reading,
 *         into: value-of<Growth::INTO>,
 *         leg: ?int,
 *         free: Reading|null,
 *         hanger: ?int,
 *         newton: ?float,
 *     }>,
 * }
 */
final readonly class RunHanging
{
    private const STRING_INCH_MM = 101.6;

    private const STRING_MM = 100.0;

    private ?Hanging $decided;

    private ?Material $material;

    private RunHangers $run;

    public function __construct(
        private RunLayout $layout,
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $rulebook,
    ) {
        $this->decided = $job->hanging[$layout->run->id] ?? null;
        $this->material = $catalogue->material($layout->system->material);
        $this->run = new RunHangers($layout, $job, $catalogue, $rulebook);
    }

    /** @return HangingReport */
    public function toArray(): array
    {
        [$tape, $hangers] = [new Tape, $this->run->places()];
        $between = new Spans($this->layout, $this->rulebook, $this->material, $this->run->celsius);
        $spans = $between->between($hangers);
        $read = $this->job->site->levels[$this->layout->run->id] ?? [];
        $levels = new HangerLevels($this->layout, $hangers, $this->stringMm(), $read, $between);
        $expansion = $this->expansion($hangers);
        $straights = $expansion?->straights() ?? [];
        $braced = (new Bracing($this->layout, $this->rulebook))->braced($hangers);

        return [
            'hangers' => $this->hangers(
                $tape,
                $hangers,
                $levels,
                $expansion?->isTakenUpInJoints() === false ? $straights : null,
                $braced,
            ),
            'own' => $this->decided?->own !== null,
            'spans' => array_map(
                fn (Span $span): array => $span->toArray(
                    $tape,
                    $this->layout->system->pipe($this->layout->legAt($span->fromMm)->line->size)->outsideMm,
                ),
                $spans,
            ),
            'string' => $tape->reading($this->stringMm()),
            'framing' => $this->framing($tape),
            'storey' => $tape->readingOrNull($this->decided?->storeyMm),
            'floor' => $tape->readingOrNull($this->decided?->storeyMm === null ? null : $this->decided->floorMm),
            'upright' => array_filter($this->layout->legs, static fn (LegLaid $leg): bool => $leg->isUpright()) !== [],
            'expansion' => array_map(
                fn (StraightStretch $straight): array => $this->straight($tape, $straight),
                $straights,
            ),
            'allowances' => array_map(
                fn (float $at): array => ['tape_mm' => $at, 'tape' => $tape->reading($at)],
                $expansion?->allowances() ?? [],
            ),
            'swing_c' => $this->swing(),
            'findings' => FindingReport::list(
                $this->findings($hangers, $spans, $levels, $expansion),
                $this->job->units,
            ),
            'sources' => SourceList::list([
                ...array_merge(
                    ...array_map(static fn (Spacing $spacing): array => $spacing->provenances, $this->run->spacings),
                ),
                ...array_map(static fn (Threshold $by): Provenance => $by->provenance, array_values($braced)),
                $this->material?->provenance,
                $this->catalogue->assumption('temperature-swing')->provenance,
            ]),
        ];
    }

    /** @return list<Hanger> in the order of flow, as reckoned or as set by hand */
    public function places(): array
    {
        return $this->run->places();
    }

    /**
     * Gives how many places there are that must let it grow, and how many hangers are braced: what else has to be
     * bought.
     *
     * @param list<Hanger> $hangers
     * @return array{int, int}
     */
    public function furtherParts(array $hangers): array
    {
        return [
            count($this->expansion($hangers)?->allowances() ?? []),
            count((new Bracing($this->layout, $this->rulebook))->braced($hangers)),
        ];
    }

    /**
     * @param list<Hanger> $hangers
     * @param list<Span> $spans
     * @return list<Finding>
     */
    private function findings(array $hangers, array $spans, HangerLevels $levels, ?Expansion $expansion): array
    {
        if ($this->run->isBedded()) {
            return [new Finding(RuleId::HangBedded, Severity::Note, new Where)];
        }
        $findings = [];
        foreach ($this->layout->legs as $n => $leg) {
            // Each rule once: the legs of a run are of one pipe.
            foreach (
                $this->run->spacings[$n]->findings(
                    $leg->line->number,
                    $leg->isUpright(),
                    $this->layout->system,
                    $leg->line->size,
                    $this->rulebook,
                    $this->run->celsius,
                ) as $finding
            ) {
                $findings[$finding->rule->value] ??= $finding;
            }
        }
        $longest = $this->longestStraight();
        foreach ($expansion?->allowances() ?? [] as $at) {
            $findings[] = new Finding(
                RuleId::HangExpands,
                Severity::Warn,
                new Where(tapeMm: $at),
                null,
                $longest?->value,
                ['at_mm' => $at, 'most_mm' => $longest->value ?? 0.0, 'book' => $this->rulebook->name],
                $longest?->provenance,
            );
        }
        foreach ($expansion?->isTakenUpInJoints() === true ? $this->layout->pieces : [] as $piece) {
            if ($longest?->value !== null && Tolerance::isOver($piece->cutMm, $longest->value, Tolerance::TAPE_MM)) {
                $findings[] = new Finding(
                    RuleId::HangPieceTooLong,
                    Severity::Warn,
                    new Where(leg: $piece->leg, piece: $piece->letter),
                    $piece->cutMm,
                    $longest->value,
                    ['piece' => $piece->letter, 'length_mm' => $piece->cutMm, 'most_mm' => $longest->value],
                    $longest->provenance,
                );
            }
        }

        return [
            ...array_values($findings),
            ...Supports::onJoints($hangers),
            ...array_merge([], ...array_map(fn (Span $span): array => $span->findings($this->rulebook->name), $spans)),
            ...$levels->findings($this->rulebook),
        ];
    }

    /**
     * @param list<Hanger> $hangers
     * @param list<StraightStretch>|null $straights each is held fast at one hanger and slides through the others; null:
     *     nothing does
     * @param array<int, Threshold> $braced
     * @return list<HangerReport>
     */
    private function hangers(Tape $tape, array $hangers, HangerLevels $levels, ?array $straights, array $braced): array
    {
        [$below, $read, $fast] = [
            $levels->below(),
            $levels->read(),
            array_map(static fn (StraightStretch $straight): ?int => $straight->hanger, $straights ?? []),
        ];
        $slides = $straights !== null;

        return array_map(
            function (Hanger $hanger, int $n) use ($tape, $below, $read, $fast, $slides, $braced): array {
                $leg = $this->layout->legs[$hanger->leg];
                $at = $hanger->tapeMm($this->layout);
                [$planned, $was] = [$below[$n] ?? null, $read[$n] ?? null];

                return [
                    'number' => $n + 1,
                    'leg' => $leg->line->number,
                    'leg_id' => $leg->line->leg->id,
                    'leg_mm' => $leg->centreMm,
                    'at' => $tape->reading($hanger->atMm),
                    'tape_mm' => $at,
                    'tape' => $tape->reading($at),
                    'face' => $this->face($tape, $leg, $hanger->atMm),
                    'kind' => $hanger->kind->value,
                    'why' => $hanger->why->value,
                    'clear' => $hanger->isClear,
                    'hold' => ! $slides ? null : (in_array($n + 1, $fast, true) ? 'fast' : 'slides'),
                    'braced' => isset($braced[$n]),
                    'below_string' => $tape->readingOrNull($planned),
                    'read' => $tape->readingOrNull($was),
                    'off_mm' => $planned === null || $was === null ? null : $was - $planned,
                ];
            },
            $hangers,
            array_keys($hangers),
        );
    }

    /**
     * @return array{name: string, at: Reading}|null how far it is from what places on its leg are measured
     *     from
     */
    private function face(Tape $tape, LegLaid $leg, float $atMm): ?array
    {
        foreach ($this->decided->faces ?? [] as $face) {
            if ($face['leg'] === $leg->line->leg->id) {
                return ['name' => $face['name'], 'at' => $tape->reading($face['before_mm'] + $atMm)];
            }
        }

        return null;
    }

    /**
     * @return FramingReport|null the joists or studs
     *     that somebody said
     */
    private function framing(Tape $tape): ?array
    {
        $said = $this->decided?->framing;

        return $said === null
            ? null
            : [
                'kind' => $said['kind']->value,
                'every' => $tape->reading($said['every_mm']),
                'first' => $tape->reading($said['first_mm']),
            ];
    }

    /** @return StraightReport */
    private function straight(Tape $tape, StraightStretch $straight): array
    {
        return [
            'leg' => $straight->leg,
            'from_tape_mm' => $straight->fromMm,
            'length' => $tape->reading($straight->toMm - $straight->fromMm),
            'growth' => $tape->reading($straight->growthMm),
            'fixed' => $straight->fixed,
            'hanger' => $straight->hanger,
            'ends' => array_map(
                static fn (Growth $end): array => [
                    'way' => $end->way,
                    'move' => $tape->reading($end->moveMm),
                    'into' => $end->into,
                    'leg' => $end->leg,
                    'free' => $tape->readingOrNull($end->freeMm),
                    'hanger' => $end->hanger,
                    'newton' => $end->newton,
                ],
                $straight->ends,
            ),
        ];
    }

    /** @param list<Hanger> $hangers */
    private function expansion(array $hangers): ?Expansion
    {
        return $this->material === null || $this->run->isBedded()
            ? null
            : new Expansion(
                $this->layout,
                $hangers,
                $this->material,
                $this->swing(),
                $this->run->celsius,
                $this->longestStraight()?->value,
            );
    }

    private function longestStraight(): ?Threshold
    {
        return $this->rulebook->forSize('support.expansion', $this->layout->run->size, $this->layout->system->key);
    }

    private function swing(): float
    {
        return $this->decided->swingC ?? $this->catalogue->assumption('temperature-swing')->value;
    }

    private function stringMm(): float
    {
        return $this->decided->stringMm ?? ($this->job->units === Units::Inch ? self::STRING_INCH_MM : self::STRING_MM);
    }
}
