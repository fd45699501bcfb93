<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;

/**
 * A level drain of sinks, lavatories and floor drains that is its own vent: larger than they need, flat, with a dry
 * vent somewhere on it, and as long as it has to be (IPC 915, IRC P3111, UPC 910).
 */
final readonly class CombinationDrain implements VentWay
{
    private const KINDS = [
        FixtureKind::FloorDrain,
        FixtureKind::Sink,
        FixtureKind::KitchenSink,
        FixtureKind::BarSink,
        FixtureKind::MopSink,
        FixtureKind::Lavatory,
    ];

    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Combination;
    }

    public function missing(AirPath $path): ?array
    {
        return $path->wet === [] || $path->isUpright()
            ? null
            : $this->lacks($path->all(), [...array_reverse($path->wet), ...$path->onward()]);
    }

    /**
     * Holds the method against the drain of a trap, whether air comes to it through wet pipe or a dry vent meets it at
     * its lower end; null where the book does not have it, no air meets the drain, or it is that of one fixture.
     */
    public function tried(Arm $arm): ?Tried
    {
        return Tried::of($this->method(), $this->rulebook, fn (): ?array => $this->missingOf($arm));
    }

    /** @return list<Shortfall>|null as `missing` gives them */
    private function missingOf(Arm $arm): ?array
    {
        $path = AirPath::of($arm, $this->network);
        $heads = $arm->last()->heads ?? [];

        return match (true) {
            $path === null => null,
            $path->wet !== [] => $this->missing($path),
            // The drain of one fixture alone is its arm, and not a system of its own.
            count($heads) < 2 => null,
            default => $this->lacks($heads, $arm->segments),
        };
    }

    /**
     * @param list<LoadedFixture> $heads that discharge into it
     * @param list<Segment> $pipe all of it, and perhaps the drain of one of them
     * @return list<Shortfall>
     */
    private function lacks(array $heads, array $pipe): array
    {
        // What carries one fixture alone is the drain of that fixture: it may drop to the combination.
        $shared = array_values(array_filter($pipe, static fn (Segment $one): bool => count($one->heads) > 1));
        $level = $shared === [] ? $pipe : $shared;

        return array_values(
            array_filter([
                ...$this->ofFixtures($heads),
                array_filter($level, $this->isSteep(...)) === [] ? null : Shortfall::Steep,
                array_filter($shared, static fn (Segment $one): bool => $one->hasUpright()) === []
                    ? null
                    : Shortfall::Upright,
                array_filter($level, $this->isOverloaded(...)) === [] ? null : Shortfall::Total,
            ]),
        );
    }

    /**
     * @param list<LoadedFixture> $heads
     * @return list<?Shortfall>
     */
    private function ofFixtures(array $heads): array
    {
        [$isOther, $grinds, $isAsked, $drops] = [false, false, false, false];
        $takesDisposers = $this->rulebook->limit('combination.disposer')->value ?? 1.0;
        foreach ($heads as $head) {
            $isOther = $isOther || ! in_array($head->fixture->kind, self::KINDS, true);
            if ($head->fixture->kind === FixtureKind::KitchenSink && $takesDisposers < 1.0) {
                $grinds = $grinds || $head->fixture->hasDisposer === true;
                $isAsked = $isAsked || $head->fixture->hasDisposer === null;
            }
            $drops = $drops || $this->isDropped($head);
        }

        return [
            $isOther ? Shortfall::NotOfKind : null,
            $grinds ? Shortfall::Disposer : null,
            $isAsked ? Shortfall::DisposerNotKnown : null,
            $drops ? Shortfall::Drop : null,
        ];
    }

    /** Whether a fixture drops farther to it than the book allows. */
    private function isDropped(LoadedFixture $head): bool
    {
        $own = $this->network->drain($head->node);
        $upright = 0.0;
        foreach ($own !== null && count($own->heads) === 1 ? $own->stretches : [] as $stretch) {
            $upright += $stretch->isUpright() ? $stretch->lengthMm() : 0.0;
        }
        $most = $this->rulebook->limit('combination.drop-most')->value ?? INF;

        return Tolerance::isOver($upright, $most, Tolerance::TAPE_MM);
    }

    private function isSteep(Segment $segment): bool
    {
        $most = $this->rulebook->limit('combination.slope-most')->value ?? INF;
        foreach ($segment->stretches as $stretch) {
            if (! $stretch->isUpright() && Tolerance::isOver($stretch->fallMmPerM(), $most, AirPath::FALL_MM_PER_M)) {
                return true;
            }
        }

        return false;
    }

    private function isOverloaded(Segment $segment): bool
    {
        $topic = $segment->isAboveStack ? 'combination.branch-most' : 'combination.drain-most';
        $most = $this->rulebook->forSize($topic, $segment->size())->value ?? INF;

        return Tolerance::isOver($segment->load, $most, Tolerance::SUM);
    }
}
