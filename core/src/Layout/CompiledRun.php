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
     * @param list<Tap> $taps that it is to other runs
     * @param list<Tap> $tapped that others are to it
     * @param list<Junction> $junctions that stand in it
     * @param array<string, Junction> $meets where its own ends sit, by side
     * @param ?Run $next the run that it goes on into
     */
    public function __construct(public Run $said, public array $lines, public array $taps, public array $tapped, public array $junctions, public array $meets, public ?Run $next, public RunLayout $layout) {}

    /** Whether it is the compilation of this run. */
    public function isOf(Run $run): bool
    {
        return $this->said === $run || $this->layout->run === $run;
    }

    /**
     * Whether what it was compiled from is the same.
     *
     * @param list<Junction> $junctions
     * @param array<string, Junction> $meets
     */
    public function isAmong(array $junctions, array $meets, ?Run $next): bool
    {
        return $this->junctions === $junctions && $this->meets === $meets && ($this->next === $next || ($this->next?->system === $next?->system && $this->next?->endSizes() === $next?->endSizes()));
    }
}
