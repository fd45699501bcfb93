<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;

/** A joint of a day with its times, and what has been done of it. */
final readonly class ClockedJoint
{
    /**
     * @param list<string> $needs ids of joints that are made, and set, before
     * @param list<string> $with ids of joints that are made in one breath with it
     * @param bool $isInLine whether the line of the house stands open until it is made
     * @param bool $isDryFitted whether it was tried dry and marked
     * @param ?DateTimeImmutable $madeAt when it was let go of; null: it is still to be made
     */
    public function __construct(
        public string $id,
        public SiteTimes $times,
        public array $needs = [],
        public array $with = [],
        public bool $isInLine = false,
        public bool $isDryFitted = false,
        public ?DateTimeImmutable $madeAt = null,
    ) {}

    /** Takes it as the search does: what is not known of it takes no time there. */
    public function toSiteJoint(): SiteJoint
    {
        return new SiteJoint(
            $this->id,
            $this->times->makeMin,
            $this->times->people,
            $this->times->setMin ?? 0.0,
            max($this->times->setMin ?? 0.0, $this->times->fillMin ?? 0.0),
            $this->needs,
            $this->isInLine,
            $this->times->holdS / 60,
        );
    }
}
