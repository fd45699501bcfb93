<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * What a run starts from or ends in, and how the pipe is received there. `socket`: the pipe goes to the stop of a solvent socket;
 * `trap-adapter`: a trap adapter is joined to the pipe; `plain`: a coupling joins it to the cut face of a standing pipe of the same system.
 */
final readonly class End
{
    public const OUTLETS = ['socket', 'trap-adapter', 'plain'];

    public const TIE_INS = ['socket', 'plain'];

    public function __construct(public string $what, public string $kind) {}
}
