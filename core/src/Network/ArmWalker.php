<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

/** Walks from the outlet of a trap downstream to the first place where air meets the water, and marks the pipes that the air comes by. */
final class ArmWalker
{
    /** Sets the arm of a head. */
    public static function walk(Head $head): void
    {
        [$segments, $length, $drop, $turn, $upright, $steepest] = [[], 0.0, 0.0, 0.0, 0.0, null];
        for ($segment = $head->node->drain(); $segment !== null; $segment = $node->drain()) {
            $segments[] = $segment;
            foreach ($segment->stretches as $i => $stretch) {
                $length += $stretch->lengthMm();
                $drop += $stretch->dropMm();
                $turn += $i > 0 ? $stretch->leg->turn->angleDeg ?? 0.0 : 0.0;
                $upright += $stretch->isUpright() ? $stretch->lengthMm() : 0.0;
                $steepest = $stretch->isUpright() ? $steepest : max($steepest ?? -INF, $stretch->fallMmPerM());
            }
            $node = $segment->down;
            $by = self::airBeside($node, $segment);
            if ($by !== null || $node->end?->kind === 'gully') {
                $head->arm = new Arm($head, $segments, $length, $drop, $turn, $upright, $steepest, $node, $by);
                self::mark($head->arm);

                return;
            }
            if (count($segments) > 10_000) {
                break;
            }
        }
        $head->arm = new Arm($head, $segments, $length, $drop, $turn, $upright, $steepest, null, null);
    }

    /** The best segment beside the one that the water came by that air comes down. */
    private static function airBeside(Node $node, Segment $came): ?Segment
    {
        $best = null;
        foreach ($node->in as $segment) {
            $air = $segment === $came ? null : $segment->airDown();
            $best = $air !== null && $air->isBetterThan($best) ? $air : $best;
        }

        return $best?->by;
    }

    private static function mark(Arm $arm): void
    {
        for ($segment = $arm->by; $segment !== null; $segment = $segment->up->air?->by) {
            $segment->vents[] = $arm;
        }
    }
}
