<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Job\RunEndKind;

/** Walks from the outlet of a trap downstream to the first place where air meets the water. */
final readonly class ArmWalker
{
    public function __construct(private Connections $connections, private AirWays $air) {}

    /** Gives the arm of a head. */
    public function walk(LoadedFixture $head): Arm
    {
        [$segments, $length, $drop, $turn, $upright, $steepest] = [[], 0.0, 0.0, 0.0, 0.0, null];
        for (
            $segment = $this->connections->drain($head->node);
            $segment !== null;
            $segment = $this->connections->drain($node)
        ) {
            $segments[] = $segment;
            foreach ($segment->stretches as $i => $stretch) {
                $length += $stretch->lengthMm();
                $drop += $stretch->dropMm();
                $turn += $i > 0 ? $stretch->leg->turn->angleDeg ?? 0.0 : 0.0;
                $upright += $stretch->isUpright() ? $stretch->lengthMm() : 0.0;
                $steepest = $stretch->isUpright() ? $steepest : max($steepest ?? -INF, $stretch->fallMmPerM());
            }
            $node = $segment->down;
            $by = $this->airBeside($node, $segment) ?? $this->looped($node);
            if ($by !== null || $node->end?->kind === RunEndKind::Gully) {
                return new Arm($head, $segments, $length, $drop, $turn, $upright, $steepest, $node, $by);
            }
            if (count($segments) > 10_000) {
                break;
            }
        }

        return new Arm($head, $segments, $length, $drop, $turn, $upright, $steepest, null, null);
    }

    /** The vent of an island: looped down to where air meets it. */
    private function looped(Node $node): ?Segment
    {
        $loop = $this->air->loop($node);
        if ($loop !== null) {
            $loop->isLooped = true;
        }

        return $loop;
    }

    /** The best segment beside the one that the water came by that air comes down. */
    private function airBeside(Node $node, Segment $came): ?Segment
    {
        $best = null;
        foreach ($this->connections->in($node) as $segment) {
            $air = $segment === $came ? null : $this->air->down($segment);
            $best = $air !== null && $air->isBetterThan($best) ? $air : $best;
        }

        return $best?->by;
    }
}
