<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/** A length to cut, so many times. */
final readonly class CutPart
{
    /**
     * @param string $tag what is written on it: the letter of a piece
     * @param bool $hasHub it keeps a hub of its stick; its length runs from the bottom of that
     */
    public function __construct(
        public string $tag,
        public float $mm,
        public int $count = 1,
        public bool $hasHub = false,
    ) {}
}
