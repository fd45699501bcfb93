<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What a run was called out as. What it carries in the end follows from what runs into it. */
enum RunUse: string
{
    case Drain = 'drain';

    /** From the trap of one fixture to the drain. */
    case FixtureDrain = 'fixture-drain';

    case Vent = 'vent';
}
