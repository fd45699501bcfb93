<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Rulebook;

/** The drilling plan: where every pipe goes through what, how large the hole, and how far down it, as the fall of the leg carries it from the first to the last. */
final readonly class Crossings
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    /** @return list<Crossing> in the order of the runs and their tapes */
    public function all(): array
    {
        $crossings = [];
        foreach ($this->network->obstacles as $run => $obstacles) {
            $layout = $this->network->layout->runs[$run];
            foreach ($obstacles as $obstacle) {
                $leg = $layout->leg($obstacle->leg);
                for ($n = 0; $leg !== null && $n < $obstacle->count && ! in_array($obstacle->kind, ['cold', 'trap', 'cleanout'], true); $n++) {
                    $along = $n * ($obstacle->everyMm ?? 0.0);
                    $outside = $layout->system->pipe($leg->line->size)->outsideMm;
                    $crossings[] = new Crossing($obstacle, $n + 1, $leg->tapeMm + $obstacle->atMm + $along, $leg->line->size, $outside, $outside + $this->rulebook->value('hole.clear'),
                        $obstacle->topMm === null ? null : $obstacle->topMm - $leg->line->direction->z * $along);
                }
            }
        }

        return $crossings;
    }
}
