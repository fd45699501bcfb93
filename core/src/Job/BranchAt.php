<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** Where a run enters another, or leaves it as a vent: a place on one of its legs. */
final readonly class BranchAt
{
    /** Patterns that a user can ask for. */
    public const PATTERNS = [
        'san-tee',
        'wye',
        'combo',
        'vent-tee',
        'double-san-tee',
        'double-fixture',
        'double-wye',
        'double-combo',
        'swept-tee',
        'double-swept-tee',
        'branch-135',
        'double-branch-135',
        'branch-112',
        'boss',
    ];

    /**
     * @param string $run id of the other run
     * @param string $leg id of its leg
     * @param ?float $atMm from the reference point at the leg's start, along it, to the centre of the branch fitting;
     *     null: in the turn that leads into the leg
     * @param ?string $pattern one of PATTERNS; null: the best that the rulebook takes
     */
    public function __construct(
        public string $run,
        public string $leg,
        public ?float $atMm,
        public ?string $pattern = null,
    ) {}
}
