<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Stack;
use FallBend\Core\Venting\VentMethod;
use FallBend\Core\Venting\Vents;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A tall stack has a vent stack beside it, from its foot up; one that is taller still has relief vents on the way. */
final readonly class TallStackRule implements NetworkRule
{
    public const ID = RuleId::StackVentStack;

    /** The vent of the foot meets the drain within so many diameters of it (IPC 904.4). */
    private const FOOT_DIAMETERS = 10;

    /** Stacks that are built so need none. */
    private const VENT_THEMSELVES = [VentMethod::WasteStack, VentMethod::SingleStack];

    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$from, $relief] = [$rulebook->limit('stack.vent-stack-from'), $rulebook->limit('stack.relief-from')];
        if ($from?->value === null) {
            return [];
        }
        $findings = [];
        $storey = $rulebook->number('storey.height');
        foreach ($network->stacks() as $stack) {
            $intervals = $stack->intervals($storey);
            $where = $network->where($stack->layout->run->id, $stack->lowest()->tapeMm);
            $params = ['stack' => $stack->layout->run->name, 'count' => $intervals];
            if (
                $intervals >= $from->value &&
                ! self::isVentedAtFoot($stack) &&
                ! self::ventsItself($stack, $network, $rulebook)
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $where,
                    $intervals,
                    $from->value,
                    $params + ['from' => (int) $from->value],
                    $from->provenance,
                );
            }
            if ($relief?->value !== null && $intervals >= $relief->value) {
                $findings[] = new Finding(
                    RuleId::StackRelief,
                    Severity::Unknown,
                    $where,
                    $intervals,
                    $relief->value,
                    $params + ['from' => (int) $relief->value],
                    $relief->provenance,
                );
            }
        }

        return $findings;
    }

    /** Whether a vent leaves it at or below its lowest branch, and not far beyond its foot. */
    private static function isVentedAtFoot(Stack $stack): bool
    {
        $size = $stack->lowest()->leg->line->size;
        $to = $stack->footTapeMm() + self::FOOT_DIAMETERS * Nominal::mm($size);
        foreach ($stack->layout->site->junctions as $junction) {
            $leg = $stack->layout->leg($junction->leg);
            $tape = ($leg->tapeMm ?? 0.0) + ($junction->atMm ?? 0.0);
            if ($junction->taps[0]->isVent && $tape >= $stack->lowest()->tapeMm && $tape <= $to) {
                return true;
            }
        }

        return false;
    }

    private static function ventsItself(Stack $stack, Network $network, Rulebook $rulebook): bool
    {
        $vents = new Vents($network, $rulebook);
        $heads = [];
        foreach ($network->ofRun($stack->layout->run->id) as $segment) {
            // The lowest pipe of it carries what all of it carries.
            $heads = count($segment->heads) > count($heads) ? $segment->heads : $heads;
        }
        foreach ($heads as $head) {
            $arm = $network->arm($head);
            if ($arm !== null && ! in_array($vents->method($arm), self::VENT_THEMSELVES, true)) {
                return false;
            }
        }

        return true;
    }
}
