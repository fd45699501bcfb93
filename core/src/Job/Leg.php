<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Measure\Length;

/**
 * One leg of a run as it was called out: which way it turns off, how long it is, how it falls. A leg that was not
 * understood keeps its words in `unread`.
 * Exactly one of fall and drop may be given; neither means the fall of the run.
 */
final readonly class Leg
{
    /**
     * @param ?float $turnDeg only with a way that takes an angle; null for 90
     * @param ?Length $length null only where the leg is close or unread
     * @param bool $isToStop the length runs from stop to stop, not from centre to centre
     * @param ?Length $drop down over the given length; negative rises
     * @param ?string $takes `share`: the fall is what is left of the levelled difference, shared with the other legs
     *     that say so; `rest`: an upright leg as long as what is left
     * @param bool $isClose no pipe: the fitting at its end is a street fitting that stands in the one at its start
     */
    public function __construct(
        public string $id,
        public Way $way = Way::On,
        public ?float $turnDeg = null,
        public ?Length $length = null,
        public bool $isToStop = false,
        public ?float $fallMmPerM = null,
        public ?Length $drop = null,
        public ?string $size = null,
        public ?FittingChoice $fitting = null,
        public bool $isClose = false,
        public string $what = '',
        public ?string $unread = null,
        public ?string $takes = null,
    ) {}

    /** The same leg under another id. */
    public function withId(string $id): self
    {
        return new self(
            $id,
            $this->way,
            $this->turnDeg,
            $this->length,
            $this->isToStop,
            $this->fallMmPerM,
            $this->drop,
            $this->size,
            $this->fitting,
            $this->isClose,
            $this->what,
            $this->unread,
            $this->takes,
        );
    }

    /** The same leg of another size. */
    public function ofSize(string $size): self
    {
        return new self(
            $this->id,
            $this->way,
            $this->turnDeg,
            $this->length,
            $this->isToStop,
            $this->fallMmPerM,
            $this->drop,
            $size,
            $this->fitting,
            $this->isClose,
            $this->what,
            $this->unread,
            $this->takes,
        );
    }

    /** The same leg another way. */
    public function goingThe(Way $way): self
    {
        return new self(
            $this->id,
            $way,
            $this->turnDeg,
            $this->length,
            $this->isToStop,
            $this->fallMmPerM,
            $this->drop,
            $this->size,
            $this->fitting,
            $this->isClose,
            $this->what,
            $this->unread,
            $this->takes,
        );
    }

    /** The same leg with the length and fall that were found for it. */
    public function found(?Length $length, ?float $fallMmPerM): self
    {
        return new self(
            $this->id,
            $this->way,
            $this->turnDeg,
            $length,
            $this->isToStop,
            $fallMmPerM,
            null,
            $this->size,
            $this->fitting,
            $this->isClose,
            $this->what,
            $this->unread,
            $this->takes,
        );
    }

    /** Whether two legs say the same, whatever their ids. */
    public function saysTheSame(self $other): bool
    {
        return $this->way === $other->way &&
            $this->turnDeg === $other->turnDeg &&
            $this->isToStop === $other->isToStop &&
            $this->fallMmPerM === $other->fallMmPerM &&
            $this->length?->nanometres === $other->length?->nanometres &&
            $this->drop?->nanometres === $other->drop?->nanometres &&
            $this->size === $other->size &&
            $this->fitting?->toArray() === $other->fitting?->toArray() &&
            $this->isClose === $other->isClose &&
            $this->takes === $other->takes &&
            $this->what === $other->what &&
            $this->unread === $other->unread;
    }
}
