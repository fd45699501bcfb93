<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A level leg falls at least as much as the rulebook asks for its size. One that does not fall at all is
 * `FallNoneRule`'s.
 */
final readonly class FallLeastRule implements Rule
{
    public const ID = RuleId::FallLeast;

    /**
     * How far below the least still counts as the least, in mm per m: a tenth of a mm over a metre, which no level
     * shows.
     */
    private const SLACK = 0.1;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->legs as $leg) {
            $finding = self::judgeLeg($leg, $rulebook, $layout->system->key);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    private static function judgeLeg(LegLaid $leg, Rulebook $rulebook, string $system): ?Finding
    {
        $fall = MeasuredFall::of($leg);
        if ($fall === null || $fall->mmPerM < MeasuredFall::LEVEL_MM_PER_M) {
            return null;
        }
        $byFlow = $rulebook->forSize('fall.by-flow', $fall->size, $system);
        if ($byFlow !== null && self::isByFlow($fall, $byFlow)) {
            // Whether enough runs in it is judged with what flows into it.
            return null;
        }
        $where = new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm + $leg->centreMm / 2);

        return self::verdict($fall, $rulebook->forSize('fall.least', $fall->size, $system), $where, $rulebook->name);
    }

    /** Whether a fall is enough where the rulebook takes less of it above a flow. */
    public static function isByFlow(MeasuredFall $fall, Threshold $row): bool
    {
        return $row->value !== null && $fall->mmPerM >= $row->value - self::SLACK;
    }

    /**
     * Says that a rulebook states no least fall for a size.
     *
     * @param ?float $mmPerM what it falls; null where nobody said
     */
    public static function notKnown(string $size, string $book, Where $where, ?float $mmPerM = null): Finding
    {
        $params = ['size' => $size, 'book' => $book];

        return new Finding(RuleId::FallLeastNotKnown, Severity::Unknown, $where, $mmPerM, null, $params);
    }

    /**
     * The verdict on one fall that is not negative, wherever it is asked for.
     *
     * @param ?Threshold $least null where the rulebook has none for the size
     * @param string $book name of the rulebook
     * @return ?Finding null where the fall is enough
     */
    public static function verdict(MeasuredFall $fall, ?Threshold $least, Where $where, string $book): ?Finding
    {
        if ($least?->value === null) {
            return self::notKnown($fall->size, $book, $where, $fall->mmPerM);
        }
        if ($fall->mmPerM >= $least->value - self::SLACK) {
            return null;
        }
        $approved = $least->byApproval !== null && $fall->mmPerM >= $least->byApproval - self::SLACK;

        return new Finding(
            $approved ? RuleId::FallByApproval : self::ID,
            $approved ? Severity::Warn : Severity::Stop,
            $where,
            $fall->mmPerM,
            $least->value,
            [
                'fall_mm_per_m' => $fall->mmPerM,
                'least_mm_per_m' => $least->value,
                'size' => $fall->size,
                'more_mm' => (($least->value - $fall->mmPerM) * $fall->planMm) / 1000,
            ],
            $least->provenance,
        );
    }
}
