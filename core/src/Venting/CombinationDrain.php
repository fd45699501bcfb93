<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\LoadedFixture;

/**
 * A level drain of sinks, lavatories and floor drains that is its own vent (IPC 915, IRC P3111, UPC 910). Whether one
 * is so is not judged here: only what cannot be is told apart.
 */
final readonly class CombinationDrain implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    /** Whether such a drain takes a fixture. */
    public static function takes(LoadedFixture $head): bool
    {
        return in_array($head->fixture->kind, self::KINDS, true);
    }

    public function method(): VentMethod
    {
        return VentMethod::Combination;
    }

    private const KINDS = [
        FixtureKind::FloorDrain,
        FixtureKind::Sink,
        FixtureKind::KitchenSink,
        FixtureKind::BarSink,
        FixtureKind::MopSink,
        FixtureKind::Lavatory,
    ];

    public function missing(AirPath $path): ?array
    {
        if ($path->wet === [] || $path->isUpright()) {
            return null;
        }
        $isOther = static fn (LoadedFixture $head): bool => ! self::takes($head);
        $most = $this->rulebook->limit('combination.slope-most');

        return array_values(
            array_filter([
                array_filter($path->all(), $isOther) === [] ? null : Shortfall::NotOfKind,
                $path->isSteeperThan($most->value ?? INF) ? Shortfall::Steep : null,
            ]),
        );
    }
}
