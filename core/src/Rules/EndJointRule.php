<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Joining\Refusal;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Each end of a run that meets a standing pipe is joined by a method that joins these two pipes: cement only what it
 * welds, couplings only within their
 * ranges, nothing that the rulebook refuses there. What stands there must be known first.
 */
final readonly class EndJointRule implements Rule
{
    public const ID = RuleId::JointRefused;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach (['outlet' => $layout->site->outlet, 'tie-in' => $layout->site->tieIn] as $key => $joint) {
            $finding =
                $joint === null || $layout->legs === [] ? null : self::judgeJoint($joint, self::where($layout, $key));
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    private static function judgeJoint(EndJoint $joint, Where $where): ?Finding
    {
        $names = [
            'pipe' => $joint->pipe->name,
            'ours' => $joint->ours->system->short,
            'theirs' => $joint->theirs->system->short ?? '',
        ];
        if ($joint->theirs === null) {
            return new Finding(RuleId::JointUnknownPipe, Severity::Unknown, $where, params: $names);
        }
        $refusal = $joint->refusal();
        if ($refusal !== null) {
            return new Finding(
                self::ID,
                $refusal->isUnknown ? Severity::Unknown : Severity::Stop,
                $where,
                params: $names + ['method' => $refusal->method->value, 'reason' => $refusal->reason] + $refusal->params,
                source: $refusal->source,
            );
        }
        if ($joint->offer === null) {
            $refusals = $joint->decision->refusals ?? [];
            $unknown = array_filter($refusals, static fn (Refusal $refusal): bool => $refusal->isUnknown) !== [];

            return new Finding(
                $unknown ? RuleId::JointNoRow : RuleId::JointNone,
                $unknown ? Severity::Unknown : Severity::Stop,
                $where,
                params: $names,
            );
        }

        return $joint->reachMm() === null
            ? new Finding(
                RuleId::JointMeasure,
                Severity::Unknown,
                $where,
                params: $names + ['part' => $joint->offer->parts[0]->name ?? 'joint'],
            )
            : null;
    }

    private static function where(RunLayout $layout, string $key): Where
    {
        $leg = $key === 'outlet' ? $layout->legs[0] : $layout->legs[count($layout->legs) - 1];
        foreach ($layout->joints as $joint) {
            if ($joint->key === $key) {
                return new Where(
                    $leg->line->number,
                    $leg->line->leg->id,
                    joint: $joint->number,
                    tapeMm: $joint->tapeMm,
                );
            }
        }

        return new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm);
    }
}
