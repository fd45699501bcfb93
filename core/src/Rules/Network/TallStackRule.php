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
use FallBend\Core\Verdict\Where;

/** A tall stack has a vent stack beside it, from its foot up; one that is taller still has relief vents on the way. */
final readonly class TallStackRule implements NetworkRule
{
    public const ID = RuleId::StackVentStack;

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
            if ($intervals >= $from->value && ! self::ventsItself($stack, $network, $rulebook)) {
                $findings[] = self::atFoot($stack, $where, $params, $rulebook);
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

        return array_values(array_filter($findings));
    }

    /**
     * Gives what is said of the foot of a stack that has to have a vent stack; null where one meets it there.
     *
     * @param array{stack: string, count: int} $params of the words
     */
    private static function atFoot(Stack $stack, Where $where, array $params, Rulebook $rulebook): ?Finding
    {
        $from = $rulebook->limit('stack.vent-stack-from');
        $below = self::ventBelowMm($stack);
        $severity = self::beyondFoot($stack, $below, $rulebook);
        if ($severity === Severity::Stop) {
            $says = $params + ['from' => (int) $from?->value];

            return new Finding(
                self::ID,
                $severity,
                $where,
                $params['count'],
                $from?->value,
                $says,
                $from?->provenance,
            );
        }
        if ($severity === null || $below === null) {
            return null;
        }

        return new Finding(
            RuleId::StackVentFoot,
            $severity,
            $where,
            $below,
            null,
            ['stack' => $params['stack'], 'at_mm' => $below],
            $from?->provenance,
        );
    }

    /**
     * Gives how far beyond the foot of a stack, along its drain, the first vent below its lowest branch meets it (mm);
     * 0 where one meets the stack itself, null where there is none.
     */
    private static function ventBelowMm(Stack $stack): ?float
    {
        $foot = $stack->footTapeMm();
        $nearest = null;
        foreach ($stack->layout->site->junctions as $junction) {
            $leg = $stack->layout->leg($junction->leg);
            $tape = ($leg->tapeMm ?? 0.0) + ($junction->atMm ?? 0.0);
            if ($junction->taps[0]->isVent && $tape >= $stack->lowest()->tapeMm) {
                $nearest = min($nearest ?? INF, max(0.0, $tape - $foot));
            }
        }

        return $nearest;
    }

    /**
     * Gives how bad it is that a vent meets the drain so far beyond the foot (mm; null where none does): nothing where
     * it meets the stack; not known where the book sets no distance for the drain.
     */
    private static function beyondFoot(Stack $stack, ?float $beyondMm, Rulebook $rulebook): ?Severity
    {
        if ($beyondMm === null) {
            return Severity::Stop;
        }
        $most = $rulebook->limit('stack.vent-foot')?->value;

        return match (true) {
            $beyondMm <= 0.0 => null,
            $most === null => Severity::Unknown,
            $beyondMm > $most * Nominal::mm($stack->lowest()->leg->line->size) => Severity::Stop,
            default => null,
        };
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
