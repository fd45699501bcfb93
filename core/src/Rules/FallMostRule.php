<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Where the rulebook has a most for the size, a level leg of a drain flatter than 15° falls no more than that: water
 * would outrun its trap.
 */
final readonly class FallMostRule implements Rule
{
    public const ID = RuleId::FallMost;

    /** tan 15° in mm per m: steeper legs are offsets, which no most is meant for. */
    private const STEEP_MM_PER_M = 267.949;

    /** As for the least: what no level shows. */
    private const SLACK = 0.1;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->legs as $leg) {
            $fall = MeasuredFall::of($leg);
            $most = $rulebook->forSize('fall.most', $leg->line->size, $layout->system->key);
            $where = new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm + $leg->centreMm / 2);
            $finding = $fall === null ? null : self::verdict($fall, $most, $where);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    /**
     * The verdict on one fall, wherever it is asked for.
     *
     * @param ?Threshold $most null where the rulebook has none for the size
     * @return ?Finding null where the fall is not too much
     */
    public static function verdict(MeasuredFall $fall, ?Threshold $most, Where $where): ?Finding
    {
        $is = $fall->mmPerM;
        if ($most?->value === null || $is <= $most->value + self::SLACK || $is >= self::STEEP_MM_PER_M) {
            return null;
        }

        return new Finding(
            self::ID,
            Severity::Warn,
            $where,
            $is,
            $most->value,
            [
                'fall_mm_per_m' => $is,
                'most_mm_per_m' => $most->value,
                'size' => $fall->size,
                'less_mm' => (($is - $most->value) * $fall->planMm) / 1000,
            ],
            $most->provenance,
        );
    }
}
