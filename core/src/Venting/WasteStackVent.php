<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;

/** A straight stack of waste alone that goes on up in its full size (IPC 913, IRC P3109). */
final readonly class WasteStackVent implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::WasteStack;
    }

    public function missing(AirPath $path): ?array
    {
        if ($path->wet === [] || ! $path->isUpright()) {
            return null;
        }
        $size = $path->by->size();
        $total = $this->rulebook->forSize('waste-stack.total-most', $size)?->value;
        if ($total === null) {
            return null;
        }

        return [...self::wrongFixtures($path), ...self::wrongPipe($path), ...$this->overload($path, $size, $total)];
    }

    /** @return list<Shortfall> */
    private static function wrongFixtures(AirPath $path): array
    {
        $kinds = array_map(static fn (LoadedFixture $head): FixtureKind => $head->fixture->kind, $path->all());

        return array_values(
            array_filter([
                in_array(FixtureKind::WaterCloset, $kinds, true) ? Shortfall::Closet : null,
                in_array(FixtureKind::Urinal, $kinds, true) ? Shortfall::Urinal : null,
            ]),
        );
    }

    /** @return list<Shortfall> */
    private static function wrongPipe(AirPath $path): array
    {
        $together = array_filter(
            $path->all(),
            static fn (LoadedFixture $head): bool => ! $path->entersByItself($head),
        );

        return array_values(
            array_filter([
                $path->isStraight() ? null : Shortfall::Offset,
                $together === [] ? null : Shortfall::Separately,
                $path->hasFullStackVent() ? null : Shortfall::StackVentSmall,
            ]),
        );
    }

    /** @return list<Shortfall> */
    private function overload(AirPath $path, string $size, float $total): array
    {
        $interval = $this->rulebook->forSize('waste-stack.interval-most', $size)->value ?? INF;
        $loads = $path->intervals($path->all(), $this->rulebook->number('storey.height'));

        return array_values(
            array_filter([
                Tolerance::isOver(max($loads), $interval, Tolerance::SUM) ? Shortfall::Interval : null,
                Tolerance::isOver(array_sum($loads), $total, Tolerance::SUM) ? Shortfall::Total : null,
            ]),
        );
    }
}
