<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A drain never leads up: neither a leg, nor the short piece between two bends that are rolled against each other. */
final readonly class FallBackRule implements Rule
{
    public const ID = RuleId::FallBack;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->legs as $leg) {
            $turn = $leg->turn;
            if ($turn?->between !== null && $turn->between->z > Tolerance::SUM) {
                $rise = $turn->between->z * $turn->betweenMm;
                $findings[] = new Finding(
                    RuleId::FallBackBetween,
                    Severity::Stop,
                    new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                    $rise,
                    0.0,
                    ['rise_mm' => $rise],
                );
            }
            $slope = $leg->fallMmPerM();
            if ($leg->dropMm() < 0 && ($slope === null || $slope <= -MeasuredFall::LEVEL_MM_PER_M)) {
                $where = new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm + $leg->centreMm / 2);
                $findings[] = self::verdict(-$leg->dropMm(), $where);
            }
        }

        return $findings;
    }

    /** The verdict on a drain that rises by so much, wherever it is asked for. */
    public static function verdict(float $riseMm, Where $where): Finding
    {
        return new Finding(self::ID, Severity::Stop, $where, $riseMm, 0.0, ['rise_mm' => $riseMm]);
    }
}
