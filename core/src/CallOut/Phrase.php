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
    /**
     * @param list<Unread> $unread
     * @param ?string $sizeBefore size that the leg before it is of, as its fitting says
     */
    public function __construct(
        public string $text,
        public int $at,
        public Leg $leg,
        public array $unread,
        public ?string $sizeBefore = null,
    ) {}

    /** The same phrase, which cannot be laid out for a reason. */
    public function refused(string $why): self
    {
        $lead = mb_strlen($this->text) - mb_strlen(ltrim($this->text));
        $said = trim($this->text);
        $unread = new Unread($this->at + $lead, max(1, mb_strlen($said)), $why);

        return new self($this->text, $this->at, new Leg('', unread: $said), [...$this->unread, $unread]);
    }

    /** The same phrase with its leg of a size; as it was where it says one itself, or was not understood. */
    public function ofSize(string $size): self
    {
        return $this->leg->size !== null || $this->leg->unread !== null
            ? $this
            : new self($this->text, $this->at, $this->leg->ofSize($size), $this->unread, $this->sizeBefore);
    }
}
