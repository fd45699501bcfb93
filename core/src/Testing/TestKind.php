<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

/** What pipes are tested with. */
enum TestKind: string
{
    case Water = 'water';

    /** Water that a buried drain takes up is topped up and measured. */
    case TopUp = 'top-up';

    /** Compressed air. */
    case Air = 'air';

    /** Air at the low pressure of a water gauge. */
    case LowAir = 'low-air';

    case BuriedAir = 'buried-air';

    case Smoke = 'smoke';

    case Peppermint = 'peppermint';

    /** Water is run, and every joint looked at. */
    case Seen = 'seen';

    /** Whether it is a gas that is shut in: the gauge moves with its warmth, too. */
    public function isGas(): bool
    {
        return in_array($this, [self::Air, self::LowAir, self::BuriedAir, self::Smoke], true);
    }

    /** Whether a gauge, a level or a measure is read in it. */
    public function isRead(): bool
    {
        return $this !== self::Peppermint && $this !== self::Seen;
    }
}
