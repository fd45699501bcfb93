<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureLoad;
use FallBend\Core\Job\FixtureHead;

/** A fixture at the head of a run, with what it loads the drain with. */
final class Head
{
    /** The arm from its trap to its vent; null until it is walked, or where it has no trap. */
    public ?Arm $arm = null;

    /** @param  ?FixtureLoad  $load  null where the rulebook has no row for it */
    public function __construct(public readonly Node $node, public readonly FixtureHead $fixture, public readonly string $name, public readonly ?FixtureLoad $load) {}

    /** Whether it is a water closet. */
    public function isCloset(): bool
    {
        return $this->fixture->kind === 'water-closet';
    }

    /** Gives the height of its flood level rim in the frame of the network, in mm; null where nobody measured. */
    public function rimMm(): ?float
    {
        return $this->fixture->rimMm === null ? null : $this->node->at->z + $this->fixture->rimMm;
    }
}
