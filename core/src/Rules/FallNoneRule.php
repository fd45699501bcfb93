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

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $level = array_filter(
            $layout->legs,
            static fn (LegLaid $leg): bool => abs($leg->fallMmPerM() ?? INF) < MeasuredFall::LEVEL_MM_PER_M,
        );

        return array_values(
            array_map(static fn (LegLaid $leg): Finding => self::judgeLeg($leg, $layout, $rulebook), $level),
        );
    }

    private static function judgeLeg(LegLaid $leg, RunLayout $layout, Rulebook $rulebook): Finding
    {
        $where = new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm + $leg->centreMm / 2);
        $size = $leg->line->size;
        $least = $rulebook->forSize('fall.least', $size, $layout->system->key);
        if ($least?->value === null) {
            // Where nobody said how it falls it is drawn level, and nothing is known of it.
            if (! self::isFallSaid($leg, $layout)) {
                return FallLeastRule::notKnown($size, $rulebook->name, $where);
            }
            $params = ['book' => $rulebook->name];
        } else {
            $params = [
                'least_mm_per_m' => $least->value,
                'drop_mm' => ($least->value * $leg->centreMm) / 1000,
            ];
        }
        $params['size'] = $size;
        [$fall, $source] = [$leg->fallMmPerM(), $least?->provenance];

        return new Finding(self::ID, Severity::Stop, $where, $fall, $least?->value, $params, $source);
    }

    private static function isFallSaid(LegLaid $leg, RunLayout $layout): bool
    {
        return $layout->run->fallMmPerM !== null ||
            $leg->line->leg->fallMmPerM !== null ||
            $leg->line->leg->drop !== null;
    }
}
