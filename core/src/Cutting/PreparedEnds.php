<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\RunLayout;

/** What the ends of pieces are made ready with before they are joined. */
final class PreparedEnds
{
    /**
     * Gives what the end of a piece wants at each joint of a run, as its method has it: texts for `Phrasing`, which
     * says their lengths in the units of the job.
     *
     * @return array<string, string> by key of the joint; empty where the method is not settled
     */
    public static function list(RunLayout $layout): array
    {
        return array_map(
            static fn (array $entry): string => $entry['method'] === null
                ? ''
                : MethodTexts::text(Method::from($entry['method']))['end'],
            JointRegister::entries($layout),
        );
    }
}
