<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** Verdicts on timber that holes, notches and studs have in common. */
final class TimberFindings
{
    /** Nothing is cut from a truss. */
    public static function truss(Crossing $crossing, Where $where): Finding
    {
        return new Finding(RuleId::JoistTruss, Severity::Stop, $where, params: self::names($crossing));
    }

    /**
     * Nothing is cut from a flange.
     *
     * @param ?float $edgeMm what is left beside the hole
     * @param ?Threshold $least what must be left
     */
    public static function flange(Crossing $c, Where $where, ?float $edgeMm = null, ?Threshold $least = null): Finding
    {
        [$names, $source] = [self::names($c), $least?->provenance];

        return new Finding(RuleId::JoistFlange, Severity::Stop, $where, $edgeMm, $least?->value, $names, $source);
    }

    /** How deep it is, or where it is cut, nobody measured. */
    public static function notMeasured(Crossing $crossing, Where $where): Finding
    {
        return new Finding(RuleId::JoistMeasure, Severity::Unknown, $where, params: self::names($crossing));
    }

    /** Where along its span it is cut nobody measured. */
    public static function notMeasuredAlong(Crossing $crossing, Where $where, ?Provenance $source): Finding
    {
        return new Finding(
            RuleId::JoistMeasureAlong,
            Severity::Unknown,
            $where,
            params: self::names($crossing),
            source: $source,
        );
    }

    /** @return array{what: string, hole_mm: float} what every verdict on timber speaks of */
    public static function names(Crossing $crossing): array
    {
        return ['what' => $crossing->name(), 'hole_mm' => $crossing->holeMm];
    }
}
