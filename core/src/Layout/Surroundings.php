<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Joining\Conditions;

/**
 * What a run meets where it is built: how its two ends join what stands there or sit in a fitting of another run, what
 * meets it on the way, and the weather.
 */
final readonly class Surroundings
{
    /** @var array<string, list<Junction>> on its legs by leg id, in the order of the leg */
    public array $onLegs;

    /** @var array<string, Junction> in the turn into a leg, by leg id */
    public array $inTurns;

    /**
     * @param list<Junction> $junctions
     * @param ?Course $course which way its legs go, where that was found already
     */
    public function __construct(
        public ?EndJoint $outlet = null,
        public ?EndJoint $tieIn = null,
        public Conditions $conditions = new Conditions,
        public ?BranchSeat $outletSeat = null,
        public ?BranchSeat $tieInSeat = null,
        public array $junctions = [],
        public ?Course $course = null,
    ) {
        [$onLegs, $inTurns] = [[], []];
        foreach ($junctions as $junction) {
            if ($junction->isTurn()) {
                $inTurns[$junction->leg] = $junction;
            } else {
                $onLegs[$junction->leg][] = $junction;
            }
        }
        foreach ($onLegs as &$list) {
            usort($list, static fn (Junction $a, Junction $b): int => $a->atMm <=> $b->atMm);
        }
        $this->onLegs = $onLegs;
        $this->inTurns = $inTurns;
    }
}
