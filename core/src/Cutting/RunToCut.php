<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Layout\RunLayout;

/**
 * What must be known of a run to cut it. It says all that cutting asks of a layout: who has kept it need not lay the
 * run out again when a piece is ticked off.
 */
final readonly class RunToCut
{
    /**
     * @param string $id of the run
     * @param string $system key of its pipe system
     * @param list<Piece> $pieces in the order of flow
     * @param array<string, string> $ends what the end of a piece wants at each joint, by key of the joint
     * @param array<string, string> $branches ids of the runs that enter at the downstream end of a piece, by its key
     */
    private function __construct(
        public string $id,
        public string $system,
        public array $pieces,
        public array $ends,
        public array $branches,
    ) {}

    /** Takes a run that is laid out. */
    public static function fromLayout(RunLayout $layout): self
    {
        $entering = [];
        foreach ($layout->fittings as $fitting) {
            if ($fitting->junction !== null) {
                $entering[$fitting->key] = $fitting->junction->key();
            }
        }
        $branches = [];
        foreach ($entering === [] ? [] : $layout->pieces as $piece) {
            $run = $entering[$layout->fittingAt($piece->jointTo)->key ?? ''] ?? null;
            if ($run !== null) {
                $branches[$piece->key] = $run;
            }
        }

        return new self(
            $layout->run->id,
            $layout->system->key,
            $layout->pieces,
            PreparedEnds::list($layout),
            $branches,
        );
    }

    /** @return array<string, self> every run of a job, by id */
    public static function ofJob(JobLayout $layout): array
    {
        return array_map(self::fromLayout(...), $layout->runs);
    }
}
