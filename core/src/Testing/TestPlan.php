<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * How a system of pipes is filled for a test: up to where, with how many litres, and what the water does to the plugs.
 *
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type WrittenOpening array{
 *     run: string,
 *     what: string,
 *     kind: value-of<RunEndKind>,
 *     size: string,
 *     do: string,
 *     is_fill: bool,
 *     head: Reading|null,
 *     kpa: ?float,
 *     push_n: ?float,
 * }
 * @phpstan-type WrittenFill array{
 *     whole: bool,
 *     where: string,
 *     standpipe: Reading|null,
 *     above_lowest: Reading,
 *     litres: float,
 *     litres_known: bool,
 *     minutes: float,
 *     kg: float,
 * }
 */
final readonly class TestPlan
{
    /** Standard gravity, m/s². */
    private const GRAVITY = 9.80665;

    private const NEWTON_PER_POUND = 4.4482216;

    /** Less above an opening is none. */
    private const NO_HEAD_MM = 1.0;

    private Tape $tape;

    /** To where it is filled, in mm in the frame of its heights; null: it is not filled. */
    public ?float $levelMm;

    /** @param float $hoseLPerMin what the hose gives */
    public function __construct(
        private TestSystem $system,
        private Stage $stage,
        private ?TestMethod $water,
        private Catalogue $catalogue,
        private Conditions $conditions,
        private float $hoseLPerMin,
        private Units $units,
    ) {
        $this->tape = new Tape;
        $this->levelMm = $this->level();
    }

    /** @return WrittenFill|null null where it is not filled */
    public function fill(): ?array
    {
        $fill = $this->system->fill();
        if ($this->levelMm === null || $fill === null) {
            return null;
        }
        $litres = $this->system->litres($this->levelMm);
        $standpipe = $this->levelMm - $fill->heightMm;

        return [
            'whole' => $this->system->isWhole(),
            'where' => $fill->what,
            'standpipe' => $standpipe > self::NO_HEAD_MM ? $this->tape->reading($standpipe) : null,
            'above_lowest' => $this->tape->reading($this->levelMm - $this->system->lowestMm),
            'litres' => $litres,
            'litres_known' => $this->system->isBoreKnown(),
            'minutes' => $litres / $this->hoseLPerMin,
            // A litre of water weighs a kilogram.
            'kg' => $litres,
        ];
    }

    /** @return list<WrittenOpening> the highest first */
    public function openings(): array
    {
        $fill = $this->levelMm === null ? null : $this->system->fill();

        return array_map(
            fn (TestOpening $opening): array => [
                'run' => $opening->run,
                'what' => $opening->what,
                'kind' => $opening->kind->value,
                'size' => $opening->size,
                'do' => TestingTexts::opening($opening->kind, $this->stage, $this->isBelow($opening)),
                'is_fill' => $opening === $fill,
                'head' => $this->levelMm === null ? null : $this->tape->reading($opening->headMm($this->levelMm)),
                'kpa' => $this->levelMm === null ? null : $opening->pressureKpa($this->levelMm),
                'push_n' => $this->levelMm === null ? null : $opening->pushN($this->levelMm),
            ],
            $this->system->openings,
        );
    }

    private function isBelow(TestOpening $opening): bool
    {
        return $this->levelMm !== null && $opening->headMm($this->levelMm) > self::NO_HEAD_MM;
    }

    /** @return list<Finding> on filling it */
    public function findings(): array
    {
        if ($this->levelMm === null) {
            return [];
        }

        return [
            ...$this->head($this->levelMm),
            ...$this->push($this->levelMm),
            ...$this->unknownLitres(),
            ...$this->frost(),
        ];
    }

    /** @return list<Provenance> what the plan rests on beside the book */
    public function sources(): array
    {
        return array_map(
            fn (string $row): Provenance => $this->catalogue->assumption($row)->provenance,
            $this->levelMm === null ? [] : ['test.hose-flow', 'test.plug-most', 'test.restrain-from'],
        );
    }

    private function level(): ?float
    {
        $fill = $this->system->fill();
        if ($this->water === null || $this->water->required === null || $fill === null) {
            return null;
        }

        // Through a roof it runs over there: the book excepts what stands highest in the building from its head.
        return $this->system->isWhole()
            ? $fill->heightMm
            : max($fill->heightMm, $this->system->highestJointMm + $this->water->required);
    }

    /** @return list<Finding> */
    private function head(float $levelMm): array
    {
        $findings = [];
        $plug = $this->catalogue->assumption('test.plug-most');
        $lowest = array_filter(
            $this->system->openings,
            static fn (TestOpening $one): bool => $one->headMm($levelMm) > $plug->value,
        );
        $head = $levelMm - $this->system->lowestMm;
        if ($lowest !== []) {
            $deepest = max(array_map(static fn (TestOpening $one): float => $one->headMm($levelMm), $lowest));
            $findings[] = new Finding(
                RuleId::TestPlugHead,
                Severity::Warn,
                new Where,
                $deepest,
                $plug->value,
                ['head_mm' => $deepest, 'most_mm' => $plug->value],
                $plug->provenance,
            );
        }
        if ($this->water?->mostMm !== null && $head > $this->water->mostMm) {
            $findings[] = new Finding(
                RuleId::TestHeadMost,
                Severity::Stop,
                new Where,
                $head,
                $this->water->mostMm,
                ['head_mm' => $head, 'most_mm' => $this->water->mostMm],
                $this->water->sources[0] ?? null,
            );
        }

        return $findings;
    }

    /** @return list<Finding> on the plug that is pushed at hardest */
    private function push(float $levelMm): array
    {
        $from = $this->catalogue->assumption('test.restrain-from');
        $hardest = null;
        foreach ($this->system->openings as $opening) {
            if ($hardest === null || $opening->pushN($levelMm) > $hardest->pushN($levelMm)) {
                $hardest = $opening;
            }
        }
        $push = $hardest?->pushN($levelMm) ?? 0.0;

        return $hardest === null || $push < $from->value
            ? []
            : [
                new Finding(
                    RuleId::TestPlugForce,
                    Severity::Warn,
                    new Where(run: $hardest->run),
                    $push,
                    $from->value,
                    [
                        'what' => $hardest->what,
                        'force' => $this->said($push),
                    ],
                    $from->provenance,
                ),
            ];
    }

    private function said(float $newton): string
    {
        return $this->units === Units::Inch
            ? round($newton / self::NEWTON_PER_POUND).' lb'
            : round($newton).' N ('.round($newton / self::GRAVITY).' kg)';
    }

    /** @return list<Finding> */
    private function unknownLitres(): array
    {
        $unknown = array_filter($this->system->pipes, static fn (TestPipe $pipe): bool => $pipe->boreMm === null);
        $runs = array_unique(array_map(static fn (TestPipe $pipe): string => $pipe->run, $unknown));

        return $unknown === []
            ? []
            : [
                new Finding(
                    RuleId::TestLitresNotKnown,
                    Severity::Unknown,
                    new Where,
                    params: ['pipes' => implode(', ', $runs)],
                ),
            ];
    }

    /** @return list<Finding> */
    private function frost(): array
    {
        return $this->conditions->isStated && $this->conditions->airC <= 0.0
            ? [
                new Finding(
                    RuleId::TestFrost,
                    Severity::Warn,
                    new Where,
                    params: ['air_c' => $this->conditions->airC],
                ),
            ]
            : [];
    }
}
