<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Network\Network;

/**
 * The vent of a fixture that stands free of walls: up behind it, down again below the floor, and on from there by a
 * foot vent to where it can rise (IPC 916, IRC P3112, UPC 909).
 */
final readonly class IslandVent implements VentWay
{
    private const KINDS = [
        FixtureKind::Sink,
        FixtureKind::KitchenSink,
        FixtureKind::BarSink,
        FixtureKind::Lavatory,
    ];

    public function __construct(private Network $network) {}

    public function method(): VentMethod
    {
        return VentMethod::Island;
    }

    public function missing(AirPath $path): ?array
    {
        if (! $path->arm->isLooped()) {
            return null;
        }
        $head = $path->arm->head;

        return array_values(
            array_filter([
                in_array($head->fixture->kind, self::KINDS, true) ? null : Shortfall::NotOfKind,
                $this->highestMm($path) > $head->node->at->z ? null : Shortfall::LoopLow,
            ]),
        );
    }

    /** How high the loop goes, in the frame of the network. */
    private function highestMm(AirPath $path): float
    {
        $highest = -INF;
        $offset = $this->network->layout->offsets[$path->by->run()]->z;
        foreach ($path->by->stretches as $stretch) {
            $highest = max($highest, $offset + $stretch->start()->z);
        }

        return $highest;
    }
}
