<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A notch in a sawn joist is shallow and not in the middle of its span; nothing is notched from an engineered joist or
 * a truss.
 */
final readonly class JoistNotchRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $crossing) {
            $obstacle = $crossing->obstacle;
            if ($obstacle->kind->isJoist() && $obstacle->cut === 'notch') {
                $where = $network->where($obstacle->run, $crossing->tapeMm);
                array_push($findings, ...self::judgeNotch($crossing, $where, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeNotch(Crossing $c, Where $where, Rulebook $rulebook): array
    {
        if ($c->obstacle->kind === ObstacleKind::Truss) {
            return [TimberFindings::truss($c, $where)];
        }
        if ($c->obstacle->kind === ObstacleKind::EngineeredJoist) {
            return [TimberFindings::flange($c, $where)];
        }
        [$depth, $notch] = [$c->obstacle->depthMm, $c->notchMm()];
        if ($depth === null || $notch === null) {
            return [TimberFindings::notMeasured($c, $where)];
        }
        $most = $rulebook->limit('joist.notch-most');
        $mostMm = $most?->value === null ? INF : $most->value * $depth;
        if (! Tolerance::isOver($notch, $mostMm, Tolerance::CONVERTED_MM)) {
            return self::along($c, $where, $rulebook);
        }
        $params = TimberFindings::names($c) + ['notch_mm' => $notch, 'most_mm' => $mostMm];

        return [new Finding(RuleId::JoistNotch, Severity::Stop, $where, $notch, $mostMm, $params, $most?->provenance)];
    }

    /** @return list<Finding> on where along its span a joist is notched */
    private static function along(Crossing $c, Where $where, Rulebook $rulebook): array
    {
        // By the depth of the joist where the book has it so, else by its span.
        $within = $rulebook->limit('joist.notch-within');
        $from = $within ?? $rulebook->limit('joist.notch-from');
        if ($from?->value === null) {
            return [];
        }
        $of = $within === null ? $c->obstacle->spanMm : $c->obstacle->depthMm;
        $at = $c->obstacle->bearingMm;
        if ($of === null || $at === null) {
            return [TimberFindings::notMeasuredAlong($c, $where, $from->provenance)];
        }
        $fromMm = $from->value * $of;
        $params = TimberFindings::names($c) + ['at_mm' => $at, 'from_mm' => $fromMm];

        return ! Tolerance::isOver($at, $fromMm, Tolerance::TAPE_MM)
            ? []
            : [new Finding(RuleId::JoistNotchMiddle, Severity::Stop, $where, $at, $fromMm, $params, $from->provenance)];
    }
}
