<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Catalog\Assumption;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Joining\CementPlan;
use FallBend\Core\Joining\CementPlanner;
use FallBend\Core\Joining\Conditions;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;

/**
 * How long joints take on site, by method, pipe and weather: hands on by the rows `hands-on.*`, which are assumed and
 * are set to what a crew measures; setting and curing by the charts of the cement.
 */
final readonly class SiteTimetable
{
    /** What is never cemented. */
    private const METALS = ['iron', 'steel', 'brass', 'copper'];

    private CementPlanner $cements;

    public function __construct(private Catalogue $catalogue, private Rulebook $book, private Conditions $conditions)
    {
        $this->cements = new CementPlanner($catalogue);
    }

    /** Gives how long it takes to try one joint dry and to mark it, in minutes. */
    public function dryFit(): Assumption
    {
        return $this->catalogue->assumption('hands-on.dry-fit');
    }

    /** Gives from which length a piece has its far end on a stand while it is joined, mm. */
    public function farEndMm(): float
    {
        return $this->catalogue->assumption('hands-on.far-end')->value;
    }

    /**
     * Gives the times of a joint.
     *
     * @param ?PipeSystem $other what it joins the pipe to, where that is another system
     *
     * @throws BadInput if a system has no such size
     */
    public function times(Method $method, PipeSystem $system, string $size, ?PipeSystem $other = null): SiteTimes
    {
        // What is cemented is the end of plastic.
        if ($other !== null && self::isMetal($system) && in_array($size, $other->sizes(), true)) {
            [$system, $other] = [$other, $system];
        }
        $pipe = $system->pipe($size);
        $rows = ["hands-on.{$method->value}", 'hands-on.large-from', 'hands-on.large', 'hands-on.two-people-from'];
        [$make, $largeFrom, $large, $twoFrom] = array_map($this->catalogue->assumption(...), $rows);
        $factor = $pipe->outsideMm >= $largeFrom->value ? $large->value : 1.0;
        $plan = $this->cement($method, $system, $size, $other);
        $people = $plan !== null && $pipe->outsideMm >= $twoFrom->value ? 2 : 1;

        return new SiteTimes(
            $make->value * $factor,
            $people,
            $plan?->workingS,
            $plan === null ? null : $this->catalogue->assumption('hands-on.coat')->value * $factor,
            $plan->holdS ?? 0.0,
            $plan === null ? 0.0 : ($plan->isRefused() ? null : $plan->setMin),
            $plan === null ? 0.0 : ($plan->isRefused() ? null : $plan->cureMin),
            $plan->findings ?? [],
            [$make->provenance, $large->provenance, $twoFrom->provenance, ...$plan->sources ?? []],
        );
    }

    /** Whether nothing of it is ever cemented. */
    public static function isMetal(PipeSystem $system): bool
    {
        return in_array($system->material, self::METALS, true);
    }

    /** Gives the plan of the cement in a joint; null where there is none in it. */
    private function cement(Method $method, PipeSystem $system, string $size, ?PipeSystem $other): ?CementPlan
    {
        if (MethodTexts::text($method)['first_water'] !== 'after-cure') {
            return null;
        }
        // In the hub of an iron pipe it is the adapter that is cemented, on its pipe of plastic.
        $far = $method->isCement() ? $other ?? $system : $system;

        return $this->cements->plan($system, $far, $system->pipe($size), $this->book, $this->conditions);
    }
}
