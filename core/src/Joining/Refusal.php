<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Provenance;

/** A way in which two ends must not or cannot be joined, and why. */
final readonly class Refusal
{
    /**
     * @param string $reason key of its sentence in core/data/joining/refusals.json
     * @param array<string, float|int|string> $params of the sentence
     * @param bool $isNear somebody might reach for it: shown before those that are only of another kind
     * @param bool $isUnknown it may be right, but the catalogue does not know
     */
    public function __construct(
        public Method $method,
        public string $reason,
        public array $params = [],
        public ?Provenance $source = null,
        public bool $isNear = true,
        public bool $isUnknown = false,
    ) {}

    /**
     * Gives the refusal of a method that is not made for such ends at all: the most frequent one, made once for each
     * method.
     */
    public static function ends(Method $method): self
    {
        /** @var array<string, self> $made */
        static $made = [];

        return $made[$method->value] ??= new self($method, 'ends', isNear: false);
    }
}
