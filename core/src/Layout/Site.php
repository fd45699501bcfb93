<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Joining\Conditions;

/** What a run meets where it is built: how its two ends join what stands there, and the weather. */
final readonly class Site
{
    public function __construct(public ?EndJoint $outlet = null, public ?EndJoint $tieIn = null, public Conditions $conditions = new Conditions) {}
}
