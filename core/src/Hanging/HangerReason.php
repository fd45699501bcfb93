<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

/** Why a hanger is where it is. Where there are several reasons, the first of these is the one that is said. */
enum HangerReason: string
{
    case Base = 'base';
    case Floor = 'floor';
    case Turn = 'turn';
    case Heavy = 'heavy';
    case Joint = 'joint';
    case Spacing = 'spacing';
    case Guide = 'guide';

    /** Somebody set it by hand. */
    case Own = 'own';

    /** Gives where it stands in the order of reasons, from 0. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
