<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

/** The ways in which books let air come to a trap. */
enum VentMethod: string
{
    case Individual = 'individual';

    case Common = 'common';

    /** Level pipe that waste of a few fixtures runs in. */
    case Wet = 'wet';

    /** Upright pipe that waste of a few fixtures runs in. */
    case VerticalWet = 'vertical-wet';

    case Circuit = 'circuit';

    case WasteStack = 'waste-stack';

    case SingleStack = 'single-stack';

    case Combination = 'combination';

    /** Whatever enters a discharge stack is vented by it. */
    case ByStack = 'by-stack';
}
