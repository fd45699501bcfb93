<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Layout\JobLayout;

/** The drilling plan: where every pipe goes through what, how large the hole, and how far down it, as the fall of the leg carries it from the first to the last. */
final class Crossings
{
    /**
     * @param array<string, list<Obstacle>> $obstacles by id of a run of the layout
     * @return list<Crossing> in the order of the runs and their tapes
     */
    public static function of(JobLayout $jobLayout, array $obstacles, Rulebook $rulebook): array
    {
        $crossings = [];
        foreach ($obstacles as $run => $ofRun) {
            $layout = $jobLayout->runs[$run];
            foreach ($ofRun as $obstacle) {
                $leg = $layout->leg($obstacle->leg);
                for ($n = 0; $leg !== null && $n < $obstacle->count && ! in_array($obstacle->kind, ['cold', 'trap', 'cleanout'], true); $n++) {
                    $along = $n * ($obstacle->everyMm ?? 0.0);
                    $outside = $layout->system->pipe($leg->line->size)->outsideMm;
                    $crossings[] = new Crossing($obstacle, $n + 1, $leg->tapeMm + $obstacle->atMm + $along, $leg->line->size, $outside, $outside + $rulebook->value('hole.clear'),
                        $obstacle->topMm === null ? null : $obstacle->topMm - $leg->line->direction->z * $along);
                }
            }
        }

        return $crossings;
    }
}
