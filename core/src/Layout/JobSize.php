<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\Run;

/**
 * How large a job is, reckoned before anything is laid out: about how many pieces, fittings and joints it comes to.
 * What is
 * larger than can be worked with in a few seconds and in the memory of one request is refused with the limit, not
 * tried.
 */
final class JobSize
{
    /** Pieces, fittings and joints of one job. 48 flats of ten fixtures each come to about 21,000: 0.7 s, and 60 MB. */
    public const MOST_PARTS = 25_000;

    /**
     * Those of a job that is answered whole: 20 flats come to 7,900. What is larger is answered in the parts that are
     * asked for.
     */
    public const MOST_WHOLE = 8_000;

    /** Joists, studs and other things that the runs go through, each counted as often as it stands there. */
    public const MOST_CROSSED = 5_000;

    /** A leg with its turn: a piece, a bend, two joints; every further stick a piece, a coupling, two joints. */
    private const PARTS_OF_A_STICK = 4;

    /** @throws BadInput if the job is too large, with what it comes to and the limit */
    public static function check(Job $job, Catalogue $catalogue): void
    {
        $parts = self::parts($job, $catalogue);
        if ($parts > self::MOST_PARTS) {
            throw BadInput::at(
                'runs',
                sprintf(
                    'come to about %s pieces, fittings and joints; one job holds at most %s: part it in two',
                    number_format($parts),
                    number_format(self::MOST_PARTS),
                ),
                $parts,
            );
        }
        $crossed = array_sum(array_map(static fn (Obstacle $obstacle): int => $obstacle->count, $job->obstacles));
        if ($crossed > self::MOST_CROSSED) {
            throw BadInput::at(
                'obstacles',
                sprintf(
                    'come to %s things to go through; one job holds at most %s',
                    number_format($crossed),
                    number_format(self::MOST_CROSSED),
                ),
                $crossed,
            );
        }
    }

    /** @throws BadInput if the job is too large to be answered at once */
    public static function checkWhole(Job $job, Catalogue $catalogue): void
    {
        $parts = self::parts($job, $catalogue);
        if ($parts > self::MOST_WHOLE) {
            throw BadInput::at(
                'want',
                sprintf(
                    'must say which parts of the answer are wanted: the runs come to about %s pieces, '.
                        'fittings and joints, and at most %s are answered at once',
                    number_format($parts),
                    number_format(self::MOST_WHOLE),
                ),
            );
        }
    }

    /** Gives about how many pieces, fittings and joints a job comes to; never less than half of what it does. */
    public static function parts(Job $job, Catalogue $catalogue): int
    {
        return array_sum(array_map(static fn (Run $run): int => self::ofRun($run, $catalogue), $job->runs));
    }

    private static function ofRun(Run $run, Catalogue $catalogue): int
    {
        $system = $catalogue->system($run->system);
        // The ends of a run are joined, and most runs meet another in a fitting.
        $sticks = 1;
        foreach ($run->legs as $leg) {
            $stick = ($system->pipes[$leg->size ?? $run->size] ?? null)?->stickMm();
            $mm = $leg->length?->toMm() ?? abs($run->levelDifference?->toMm() ?? 0.0);
            $sticks += 1 + ($stick === null ? 0 : (int) floor($mm / $stick));
        }

        return $sticks * self::PARTS_OF_A_STICK;
    }
}
