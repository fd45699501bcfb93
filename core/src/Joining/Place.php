<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Where a joint is made. */
final readonly class Place
{
    public const GROUNDS = ['above', 'buried'];

    public const ACCESSES = ['open', 'panel', 'concealed'];

    /**
     * @param value-of<self::GROUNDS> $ground
     * @param value-of<self::ACCESSES> $access in the open, behind an opening, closed in for good
     * @param bool $isAtDrainSewerLine where the building drain meets the building sewer
     */
    public function __construct(
        public string $ground = 'above',
        public string $access = 'open',
        public bool $isAtDrainSewerLine = false,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $fields): self
    {
        return new self(
            $fields->has('ground') ? $fields->choice('ground', self::GROUNDS) : 'above',
            $fields->has('access') ? $fields->choice('access', self::ACCESSES) : 'open',
            $fields->bool('at_drain_sewer_line', false),
        );
    }

    /** Whether nobody can get at the joint once it is made. */
    public function isClosedIn(): bool
    {
        return $this->ground === 'buried' || $this->access === 'concealed';
    }
}
