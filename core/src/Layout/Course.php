<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Run;

/** Which way the legs of a run go, before anything is laid out on them. */
final readonly class Course
{
    /**
     * @param Run $run with the legs found that its levelled ends leave open
     * @param float $fallMmPerM the fall of legs that say none
     * @param list<LegLine> $lines up to the first leg that was not read
     */
    private function __construct(public Run $run, public float $fallMmPerM, public array $lines) {}

    /**
     * @param PipeSystem $system of the run
     * @param float $moreMm added to the levelled difference: what the rolled pairs of the last try took
     */
    public static function of(Run $run, PipeSystem $system, Rulebook $rulebook, float $moreMm = 0.0): self
    {
        $fall = self::fallMmPerM($run, $system, $rulebook);
        $found = Levels::found($run, $fall, $moreMm);

        return new self($found, $fall, Directions::lines($found, $fall));
    }

    /**
     * Gives the fall of legs that say none: that of the run, or the least that the rulebook allows; a run that is
     * called out against the flow rises by as much.
     */
    private static function fallMmPerM(Run $run, PipeSystem $system, Rulebook $rulebook): float
    {
        $fall = $run->fallMmPerM ?? ($rulebook->forSize('fall.least', $run->size, $system->key)->value ?? 0.0);

        return $run->rises() ? -$fall : $fall;
    }
}
