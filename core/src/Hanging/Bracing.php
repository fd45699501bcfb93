<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;

/**
 * Which hangers are braced against sway: beside a turn of a large drain, and along level iron at the distance that the
 * rulebook asks for.
 */
final readonly class Bracing
{
    public function __construct(private RunLayout $layout, private Rulebook $rulebook) {}

    /**
     * @param list<Hanger> $hangers in the order of flow
     * @return array<int, Threshold> what asks for it, by place in the list
     */
    public function braced(array $hangers): array
    {
        $braced = [];
        foreach ($this->layout->legs as $n => $leg) {
            $next = $this->layout->legs[$n + 1] ?? null;
            $sway = $this->rulebook->forSize('support.sway', $leg->line->size, $this->layout->system->key);
            if (
                $next === null ||
                $sway?->value === null ||
                rad2deg(acos(max(-1.0, min(1.0, $leg->line->direction->dot($next->line->direction))))) <=
                    $sway->value + Tolerance::SUM
            ) {
                continue;
            }
            $nearest = $this->nearest($hangers, $leg->tapeMm + $leg->centreMm, [$n, $n + 1]);
            if ($nearest !== null) {
                $braced[$nearest] = $sway;
            }
        }

        return $braced + $this->along($hangers, $braced);
    }

    /**
     * Further ones, so that no level stretch goes longer without.
     *
     * @param list<Hanger> $hangers
     * @param array<int, Threshold> $braced
     * @return array<int, Threshold>
     */
    private function along(array $hangers, array $braced): array
    {
        [$further, $since, $before] = [[], 0.0, null];
        foreach ($hangers as $i => $hanger) {
            $leg = $this->layout->legs[$hanger->leg];
            $most = $leg->isUpright()
                ? null
                : $this->rulebook->forSize('support.brace', $leg->line->size, $this->layout->system->key);
            $at = $hanger->tapeMm($this->layout);
            $isFar = $most?->value !== null && Tolerance::isOver($at - $since, $most->value, Tolerance::TAPE_MM);
            if ($isFar && $before !== null) {
                $further[$before] = $most;
                $since = $hangers[$before]->tapeMm($this->layout);
            }
            if ($leg->isUpright() || isset($braced[$i])) {
                $since = $at;
            }
            $before = $leg->isUpright() ? null : $i;
        }

        return $further;
    }

    /**
     * @param list<Hanger> $hangers
     * @param list<int> $legs
     */
    private function nearest(array $hangers, float $tapeMm, array $legs): ?int
    {
        $best = null;
        foreach ($hangers as $i => $hanger) {
            if (
                in_array($hanger->leg, $legs, true) &&
                ($best === null ||
                    abs($hanger->tapeMm($this->layout) - $tapeMm) <
                        abs($hangers[$best]->tapeMm($this->layout) - $tapeMm))
            ) {
                $best = $i;
            }
        }

        return $best;
    }
}
