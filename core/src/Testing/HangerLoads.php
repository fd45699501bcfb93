<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Catalog\Material;
use FallBend\Core\Hanging\FilledPipe;
use FallBend\Core\Hanging\Hanger;
use FallBend\Core\Layout\RunLayout;

/**
 * What hangers of level pipe carry while it is full: half of the pipe to either side, or all of it at an end. What
 * stands upright stands on its foot.
 */
final readonly class HangerLoads
{
    private const GRAVITY = 9.80665;

    /**
     * Gives the hanger that carries most, with its load in kg; null where there is none, or no weight is known.
     *
     * @param list<Hanger> $hangers of the run
     * @return array{tape_mm: float, kg: float}|null
     */
    public static function heaviest(RunLayout $layout, array $hangers, Material $material): ?array
    {
        $heaviest = null;
        foreach ($layout->legs as $n => $leg) {
            $of = array_values(array_filter($hangers, static fn (Hanger $hanger): bool => $hanger->leg === $n));
            $pipe = $layout->system->pipe($leg->line->size);
            $load = (new FilledPipe($pipe, $material, 1.0))->loadNPerMm();
            if ($leg->isUpright() || $load === null) {
                continue;
            }
            foreach ($of as $i => $hanger) {
                $from = $i === 0 ? 0.0 : ($of[$i - 1]->atMm + $hanger->atMm) / 2;
                $to = isset($of[$i + 1]) ? ($hanger->atMm + $of[$i + 1]->atMm) / 2 : $leg->centreMm;
                $kg = (max(0.0, $to - $from) * $load) / self::GRAVITY;
                if ($heaviest === null || $kg > $heaviest['kg']) {
                    $heaviest = ['tape_mm' => $hanger->tapeMm($layout), 'kg' => $kg];
                }
            }
        }

        return $heaviest;
    }
}
