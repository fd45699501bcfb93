<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Geometry\CompoundBend;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * Two bends rolled against each other: the roll for a whole turn, or the whole turn for a roll. Formula: see
 * CompoundBend.
 */
final readonly class CompoundBendReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'compound-bend';
    }

    public function summary(): string
    {
        return 'the roll between two bends for a whole turn, or the turn for a roll, and how far round the pipe its mark is';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $bend = new CompoundBend($input->number('first_deg', 0.1, 179.9), $input->number('second_deg', 0.1, 179.9));
        $outside = $input->number('od_mm', 1, 5000);
        $span = $bend->spanDeg();
        if ($input->has('target_deg') === $input->has('roll_deg')) {
            throw BadInput::at($input->at('target_deg'), 'give either target_deg or roll_deg');
        }
        if ($input->has('roll_deg')) {
            $roll = $input->number('roll_deg', -180, 180);
            $turn = $bend->turnDeg($roll);
        } else {
            $turn = $input->number('target_deg', 0, 180);
            $roll =
                $bend->rollDeg($turn) ??
                throw BadInput::at(
                    $input->at('target_deg'),
                    sprintf('must be from %s to %s for these two bends', round($span[0], 4), round($span[1], 4)),
                    $turn,
                );
        }
        Overrides::read($input, $this->catalogue);
        $input->end();

        return [
            'turn_deg' => $turn,
            'roll_deg' => $roll,
            'mark_mm' => Roll::markMm($roll, $outside),
            'span_deg' => $span,
            'findings' => [],
            'sources' => [],
        ];
    }
}
