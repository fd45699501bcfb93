<?php

declare(strict_types=1);

namespace FallBend\Core\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Measure\Units;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * An offset that also rises: two equal bends, the second turning back what the first turns.
 * true offset = √(offset² + rise²), travel = true offset / sin(bend), advance = true offset / tan(bend), cut = travel −
 * both take-offs.
 */
final readonly class RollingOffsetReckoner implements Reckoner
{
    public function __construct(private Catalogue $catalogue) {}

    public function name(): string
    {
        return 'rolling-offset';
    }

    public function summary(): string
    {
        return 'travel, advance and cut length of an offset to the side and in height made by two equal bends';
    }

    public function reckon(Fields $input, Effort $effort): array
    {
        $offset = $input->number('offset_mm', -1_000_000, 1_000_000);
        $rise = $input->number('rise_mm', -1_000_000, 1_000_000);
        $bend = $input->number('bend_deg', 0.1, 90);
        $takeOffs = $input->numbers('take_off_mm', 0, 100_000);
        if (count($takeOffs) !== 2) {
            throw BadInput::at(
                $input->at('take_off_mm'),
                'must be a list of two lengths: first bend, second bend',
                $takeOffs,
            );
        }
        Overrides::read($input, $this->catalogue);
        $input->end();
        $true = hypot($offset, $rise);
        if ($true < Tolerance::SUM) {
            throw BadInput::at($input->at('offset_mm'), 'offset and rise cannot both be nothing', $offset);
        }
        $travel = $true / sin(deg2rad($bend));
        $cut = $travel - array_sum($takeOffs);

        return [
            'true_offset_mm' => $true,
            'travel_mm' => $travel,
            'advance_mm' => $bend === 90.0 ? 0.0 : $true / tan(deg2rad($bend)),
            'cut_mm' => $cut,
            'roll_from_level_deg' => rad2deg(atan2($rise, $offset)),
            'findings' => FindingReport::list(
                $cut < 0
                    ? [
                        new Finding(RuleId::OffsetCutNegative, Severity::Stop, new Where, $cut, 0.0, [
                            'missing_mm' => -$cut,
                        ]),
                    ]
                    : [],
                Units::Millimetre,
            ),
            'sources' => [],
        ];
    }
}
