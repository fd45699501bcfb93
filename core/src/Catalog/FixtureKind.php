<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** Kinds of fixtures that discharge into a drain. */
enum FixtureKind: string
{
    case Lavatory = 'lavatory';
    case Bidet = 'bidet';
    case Bath = 'bath';
    case Shower = 'shower';
    case KitchenSink = 'kitchen-sink';
    case Sink = 'sink';
    case BarSink = 'bar-sink';
    case MopSink = 'mop-sink';
    case Dishwasher = 'dishwasher';
    case LaundryTub = 'laundry-tub';
    case ClothesWasher = 'clothes-washer';
    case WaterCloset = 'water-closet';
    case FloorDrain = 'floor-drain';
    case Urinal = 'urinal';
    case CamperInlet = 'camper-inlet';

    /** Whether its trap is part of it. */
    public function hasIntegralTrap(): bool
    {
        return $this === self::WaterCloset || $this === self::Urinal;
    }

    /** Whether it counts to a bathroom group. */
    public function isOfBathroom(): bool
    {
        return match ($this) {
            self::Lavatory, self::Bidet, self::Bath, self::Shower, self::WaterCloset => true,
            default => false,
        };
    }
}
