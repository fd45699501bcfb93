<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A leg that lies level holds its water. */
final readonly class FallNoneRule implements Rule
{
    public const ID = RuleId::FallNone;

    /** Flatter than this counts as level: half a mm over a metre, either way. */
    public const LEVEL_MM_PER_M = 0.5;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $level = array_filter(
            $layout->legs,
            static fn (LegLaid $leg): bool => abs($leg->fallMmPerM() ?? INF) < self::LEVEL_MM_PER_M,
        );

        return array_values(
            array_map(static function (LegLaid $leg) use ($rulebook, $layout): Finding {
                $least = $rulebook->forSize('fall.least', $leg->line->size, $layout->system->key);

                return new Finding(
                    self::ID,
                    Severity::Stop,
                    new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm + $leg->centreMm / 2),
                    $leg->fallMmPerM(),
                    $least?->value,
                    [
                        'least_mm_per_m' => $least->value ?? 0.0,
                        'size' => $leg->line->size,
                        'drop_mm' => (($least->value ?? 0.0) * $leg->centreMm) / 1000,
                    ],
                    $least?->provenance,
                );
            }, $level),
        );
    }
}
