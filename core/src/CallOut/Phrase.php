<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\Leg;

/**
 * One phrase of a call-out line and what was read from it. With anything unread the leg keeps the words and nothing
 * else.
 */
final readonly class Phrase
{
    /** @param list<Unread> $unread */
    public function __construct(public string $text, public int $at, public Leg $leg, public array $unread) {}
}
