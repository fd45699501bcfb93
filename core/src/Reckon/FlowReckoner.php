<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Flow\Manning;
use FallBend\Core\Input\Fields;
use FallBend\Core\Verdict\SourceList;

/**
 * Velocity and discharge of a round drain that is partly full, by Manning's formula; see `Flow\Manning` for the formula
 * and where it holds.
 */
final readonly class FlowReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'flow';
    }

    public function summary(): string
    {
        return 'velocity and discharge of a drain at a fall and a depth, and whether it carries solids';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $book = $this->catalogue
            ->rulebook(
                $input->has('rulebook') ? $input->choice('rulebook', $this->catalogue->rulebookKeys()) : 'ipc-2021',
            )
            ->with($overrides->rulebook);
        $id = $input->number('id_mm', 1, 5000);
        $fall = $input->number('fall_mm_per_m', 0, 10_000);
        $fill = $input->number('fill', 0, 1);
        $given = $input->numberOrNull('roughness_n', 0.001, 0.1);
        $input->end();
        $flow = Manning::at($id, $fall, $fill, $given ?? $book->number('flow.roughness'));
        $cleansing = $book->limit('flow.self-cleansing');

        return [
            'velocity_m_per_s' => $flow->velocityMPerS,
            'discharge_l_per_s' => $flow->dischargeLPerS,
            'full_bore_l_per_s' => $flow->fullBoreLPerS,
            'self_cleansing' => $cleansing?->value !== null && $flow->velocityMPerS >= $cleansing->value,
            'findings' => [],
            'sources' => SourceList::list([
                $cleansing?->provenance,
                $given === null ? $book->source('flow.roughness') : null,
            ]),
        ];
    }
}
