<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Flow\TrapSealSimulation;
use FallBend\Core\Flow\VentedBranch;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Verdict\SourceList;

/**
 * What one discharge does to the seal of its own trap, followed through time; see `Flow\TrapSealSimulation` for its
 * equations and what it leaves out.
 */
final readonly class TrapSealReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'trap-seal';
    }

    public function summary(): string
    {
        return 'what one discharge does to the seal of its own trap, with and without a vent: an explanation, never a proof';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $overrides = Overrides::read($input, $this->catalogue);
        $book = $this->catalogue
            ->rulebook(
                $input->has('rulebook') ? $input->choice('rulebook', $this->catalogue->rulebookKeys()) : 'ipc-2021',
            )
            ->with($overrides->rulebook);
        $vent = $input->has('vent') ? $input->choice('vent', ['none', 'open', 'valve']) : 'none';
        $opens = $this->catalogue->assumption('valve-opens');
        [$at, $ventBore] = [
            $input->numberOrNull('vent_at_mm', 0, 100_000),
            $input->numberOrNull('vent_bore_mm', 5, 500),
        ];
        if ($vent !== 'none' && ($at === null || $ventBore === null)) {
            throw BadInput::at(
                $input->at($at === null ? 'vent_at_mm' : 'vent_bore_mm'),
                'is missing: where the vent is, and how wide',
            );
        }
        $branch = new VentedBranch(
            $input->number('bore_mm', 10, 500),
            $input->number('fall_mm_per_m', 0, 1000),
            $input->number('length_mm', 1, 100_000),
            $book->number('flow.roughness'),
            $vent === 'none' ? null : $at,
            $vent === 'none' ? null : $ventBore,
            $input->numberOrNull('vent_length_mm', 0, 1_000_000) ?? 0.0,
            $vent === 'valve' ? $opens->value : 0.0,
        );
        $result = TrapSealSimulation::of(
            $branch,
            $input->number('seal_mm', 5, 300),
            $input->number('flow_l_per_s', 0.01, 20),
            $input->number('volume_l', 0.1, 1000),
        );
        $input->end();
        $least = $book->limit('trap.working-seal');

        return [
            'seal_left_mm' => $result->sealLeftMm,
            'most_suction_mm' => $result->mostSuctionMm,
            'broken' => $result->isBroken,
            'least_mm' => $least?->value,
            'series' => $result->series,
            'findings' => [],
            'sources' => SourceList::list([
                $least?->provenance,
                $book->source('flow.roughness'),
                $vent === 'valve' ? $opens->provenance : null,
            ]),
        ];
    }
}
