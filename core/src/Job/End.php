<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * What a run starts from or ends in, and how the pipe is received there. `socket`: the pipe goes to the stop of a socket of its own system;
 * `trap-adapter`: a trap adapter is joined to the pipe; `plain`: a coupling joins it to the cut face of a pipe of the same system;
 * `standing`: a standing pipe of the job, joined by the method that is chosen, or else by the best that is offered.
 */
final readonly class End
{
    public const OUTLETS = ['socket', 'trap-adapter', 'plain', 'standing'];

    public const TIE_INS = ['socket', 'plain', 'standing'];

    /**
     * @param ?string $standing id of the standing pipe, with kind `standing`
     * @param ?string $method key of the chosen joining method; null: the best one
     */
    public function __construct(public string $what, public string $kind, public ?string $standing = null, public ?string $method = null) {}

    /** The same end joined by another method; null for the best one. */
    public function joinedBy(?string $method): self
    {
        return new self($this->what, $this->kind, $this->standing, $method);
    }
}
