<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Job\End;
use FallBend\Core\Job\StandingPipe;
use FallBend\Core\Joining\Decision;
use FallBend\Core\Joining\Offer;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Refusal;

/** How an end of a run is joined to a standing pipe. */
final readonly class EndJoint
{
    /**
     * @param ?PipeEnd $theirs null: it is not known what stands there
     * @param ?Decision $decision what can be done; of the chosen method alone where one was chosen
     * @param ?Offer $offer the method that is used: the chosen one, or the best; null where none can be
     */
    public function __construct(
        public End $end,
        public StandingPipe $pipe,
        public PipeEnd $ours,
        public ?PipeEnd $theirs,
        public ?Decision $decision,
        public ?Offer $offer,
    ) {}

    /** Gives how far the run's pipe reaches past the face of the standing end; null where it is not known. */
    public function reachMm(): ?float
    {
        return $this->offer?->reachMm();
    }

    /** Gives why the chosen method is refused, or null. */
    public function refusal(): ?Refusal
    {
        foreach ($this->decision->refusals ?? [] as $refusal) {
            if ($refusal->method->value === $this->end->method) {
                return $refusal;
            }
        }

        return null;
    }
}
