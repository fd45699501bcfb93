<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Rulebook;

/** One family of methods: knows which ends it joins, with which parts, and why not others. Pure. */
interface WayOfJoining
{
    /** @return non-empty-list<Method> the methods of the family */
    public function methods(): array;

    /** Takes a method of the family, two ends in either order, of pipes that are drains, and where they meet. */
    public function consider(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Offer|Refusal;
}
