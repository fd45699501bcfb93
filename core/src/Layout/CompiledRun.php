<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Job\Run;

/** A run as it was compiled, with everything that went into it: taken over by the next compilation where nothing of that has changed. */
final readonly class CompiledRun
{
    /**
     * @param Run $said as it was given; `$layout->run` is the same with its marks
     * @param list<LegLine> $lines
     * @param string $around what meets it and what its ends sit in
     */
    public function __construct(public Run $said, public array $lines, public string $around, public RunLayout $layout) {}

    /** Whether it is the compilation of this run. */
    public function isOf(Run $run): bool
    {
        return $this->said === $run || $this->layout->run === $run;
    }
}
