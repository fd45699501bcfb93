<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What keeps a fixture's seal, or keeps waste from coming back into it. */
enum FixtureGuard: string
{
    /** A valve that lets water into the trap now and then. */
    case Primer = 'primer';

    /** Water of another fixture runs through the trap. */
    case WasteFed = 'waste-fed';

    /** A one-way insert that closes over the trap. */
    case Barrier = 'barrier';

    case AirGap = 'air-gap';

    /** The hose rises as high as it can before it goes into the drain. */
    case HighLoop = 'high-loop';

    case None = 'none';
}
