<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Joining\CementPlanner;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Where;

/**
 * The cemented joints of a run can be made in the weather that the job states: once for the run, at its first joint.
 */
final readonly class CementWeatherRule implements Rule
{
    public function __construct(private Catalogue $catalogue) {}

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        if (
            ! $layout->site->conditions->isStated ||
            $layout->joints === [] ||
            ! str_starts_with($layout->system->ownJoint ?? '', 'solvent-')
        ) {
            return [];
        }
        $plan = (new CementPlanner($this->catalogue))->plan(
            $layout->system,
            $layout->system,
            $layout->system->pipe($layout->run->size),
            $rulebook,
            $layout->site->conditions,
        );
        $first = $layout->joints[0];

        return array_map(
            static fn (Finding $finding): Finding => new Finding(
                $finding->rule,
                $finding->severity,
                new Where(
                    $first->leg,
                    $layout->run->legs[$first->leg - 1]->id,
                    joint: $first->number,
                    tapeMm: $first->tapeMm,
                ),
                $finding->measured,
                $finding->limit,
                $finding->params,
                $finding->source,
            ),
            $plan->findings,
        );
    }
}
