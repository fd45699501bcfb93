<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\RunLayout;

/** Where a run is cut by what meets it, and what lies between the cuts. */
final readonly class Cuts
{
    /**
     * @param list<array{float, Vec3, Junction}> $junctions tape in mm, point in the frame of the run; along the tape
     * @param list<list<Stretch>> $stretches of each part, in the direction of flow: one part more than junctions
     */
    private function __construct(public array $junctions, public array $stretches) {}

    /** Takes a laid-out run; gives its cuts. */
    public static function of(RunLayout $run): self
    {
        $junctions = [];
        foreach ($run->site->junctions as $junction) {
            $leg = $run->leg($junction->leg);
            $along = $leg === null ? 0.0 : min($junction->atMm ?? 0.0, $leg->centreMm);
            $junctions[] = [
                ($leg->tapeMm ?? 0.0) + $along,
                $leg === null ? new Vec3(0.0, 0.0, 0.0) : $leg->from->plus($leg->line->direction->times($along)),
                $junction,
            ];
        }
        usort($junctions, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$parts, $from] = [[], 0.0];
        foreach ([...array_column($junctions, 0), $run->tapeMm] as $to) {
            $parts[] = self::between($run, $from, $to);
            $from = $to;
        }

        return new self($junctions, $parts);
    }

    /** @return list<Stretch> */
    private static function between(RunLayout $run, float $from, float $to): array
    {
        $isReversed = $run->isAgainstFlow();
        $stretches = [];
        foreach ($run->legs as $leg) {
            $a = max(0.0, $from - $leg->tapeMm);
            $b = min($leg->centreMm, $to - $leg->tapeMm);
            if ($b - $a > 0.01) {
                $stretches[] = new Stretch($leg, $a, $b, $isReversed);
            }
        }

        return $isReversed ? array_reverse($stretches) : $stretches;
    }
}
