<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\Way;

/**
 * Finds the direction of every leg of a run, from its way, its fall or its drop, up to the first leg that was not read.
 */
final class Directions
{
    /**
     * @param float $fallMmPerM the fall of legs that say none
     * @return list<LegLine>
     */
    public static function lines(Run $run, float $fallMmPerM): array
    {
        [$heading, $dip, $size, $lines] = [$run->headingDeg, null, $run->size, []];
        foreach ($run->legs as $i => $leg) {
            if ($leg->unread !== null) {
                break;
            }
            $heading = $leg->way->heading($heading, $leg->turnDeg ?? 90.0);
            $dip = self::dip($leg, $dip, $fallMmPerM);
            $size = $leg->size ?? $size;
            $lines[] = new LegLine($i + 1, $leg, $size, $heading, $dip);
        }

        return $lines;
    }

    private static function dip(Leg $leg, ?float $before, float $fallMmPerM): float
    {
        return match (true) {
            $leg->way === Way::Down => $leg->turnDeg ?? 90.0,
            $leg->way === Way::Up => -($leg->turnDeg ?? 90.0),
            // A drop is said over the length that is said.
            $leg->drop !== null && $leg->length !== null => rad2deg(
                asin(max(-1.0, min(1.0, $leg->drop->nanometres / $leg->length->nanometres))),
            ),
            $leg->fallMmPerM !== null => rad2deg(atan($leg->fallMmPerM / 1000)),
            $leg->way === Way::On && $before !== null => $before,
            default => rad2deg(atan($fallMmPerM / 1000)),
        };
    }
}
