<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Rulebook;

/** One family of methods: knows which ends it joins, with which parts, and why not others. Pure. */
interface WayOfJoining
{
    /**
     * Takes two ends in either order, of pipes that are drains, and where they meet.
     *
     * @return non-empty-list<Offer|Refusal> one for each method of the family
     */
    public function consider(PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): array;
}
