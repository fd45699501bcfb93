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

    /** Looped down behind the fixture, and on below the floor. */
    case Island = 'island';

    /** A stack without a vent of its own, or one closet, on a drain that is ventilated. */
    case StubStack = 'stub-stack';

    /** A floor drain that the book takes without any. */
    case Unvented = 'unvented';

    /** Whatever enters a discharge stack is vented by it. */
    case ByStack = 'by-stack';
}
