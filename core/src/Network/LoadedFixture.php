<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\FixtureLoad;
use FallBend\Core\Job\FixtureHead;

/** A fixture at the head of a run, with what it loads the drain with. */
final readonly class LoadedFixture
{
    /** @param ?FixtureLoad $load null where the rulebook has no row for it */
    public function __construct(
        public Node $node,
        public FixtureHead $fixture,
        public string $name,
        public ?FixtureLoad $load,
    ) {}

    /** Whether it is a water closet. */
    public function isCloset(): bool
    {
        return $this->fixture->kind === FixtureKind::WaterCloset;
    }

    /**
     * Gives the height of its flood level rim in the frame of the network, in mm; null where nobody measured. A
     * standpipe runs over at its top, which is measured from the weir of its trap, level with the start of the run.
     */
    public function rimMm(): ?float
    {
        $rim = $this->fixture->rimMm ?? $this->fixture->standpipeMm;

        return $rim === null ? null : $this->node->at->z + $rim;
    }
}
