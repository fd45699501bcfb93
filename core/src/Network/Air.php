<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Job\RunEndKind;

/** A way for air to come to a place: from a terminal down. */
final readonly class Air
{
    /**
     * @param Node $terminal where it comes in
     * @param float $lengthMm developed, from the terminal
     * @param bool $isWet it comes through pipe that waste runs in
     * @param ?Segment $by the segment that it comes by; null at the terminal itself
     * @param bool $isKnown false: it would come down a pipe that stands, and nobody said whether that is open above
     */
    public function __construct(
        public Node $terminal,
        public float $lengthMm,
        public bool $isWet,
        public ?Segment $by,
        public bool $isKnown = true,
    ) {}

    /** Whether it comes through a valve and not from the open air. */
    public function isValve(): bool
    {
        return $this->terminal->end?->kind === RunEndKind::Valve;
    }

    /**
     * Whether this way is better than another: known before not known, dry before wet, open before a valve, short
     * before long.
     */
    public function isBetterThan(?self $other): bool
    {
        return $other === null ||
            $this->rank() < $other->rank();
    }

    /** @return array{bool, bool, bool, float} less is better */
    private function rank(): array
    {
        return [! $this->isKnown, $this->isWet, $this->isValve(), $this->lengthMm];
    }
}
