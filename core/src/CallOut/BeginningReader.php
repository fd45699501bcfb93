<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;

/** Reads how a run begins: a name with a colon, what it comes from, and what is known of that, in any order. */
final readonly class BeginningReader
{
    public function __construct(private Job $job, private Catalogue $catalogue) {}

    /** @param int $at where the phrase begins in the whole line, in characters */
    public function read(string $text, int $at): RunBeginning
    {
        return (new BeginningWords($this->job, $this->catalogue, $text, $at))->read();
    }
}
