<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** The vent that a stack goes on as is no longer than the table allows for its size, the stack and what it carries. */
final readonly class StackVentRule implements NetworkRule
{
    public const ID = RuleId::VentStackLong;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $rows = [];
        foreach ($rulebook->topic('stack-vent.most') as $row) {
            foreach ($row->sizes as $stack) {
                $rows["{$row->vent} over {$stack}"][] = $row;
            }
        }
        $findings = [];
        foreach ($rows === [] ? [] : $network->segments as $segment) {
            $below = $segment->isDryVent() ? $network->drain($segment->down) : null;
            if ($below === null || ! $below->isWet || ! self::isStackVent($segment, $below)) {
                continue;
            }
            $finding = self::judgeVent($segment, $below, $rows, $network);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    /** Whether a dry vent goes straight up from the stack below it. */
    private static function isStackVent(Segment $vent, Segment $below): bool
    {
        $first = $below->stretches[0] ?? null;

        return $vent->run() === $below->run() && $first !== null && $first->isUpright();
    }

    /** @param array<string, list<Threshold>> $rows by the sizes of vent and stack */
    private static function judgeVent(Segment $vent, Segment $below, array $rows, Network $network): ?Finding
    {
        [$size, $stack] = [$vent->smallestSize(), self::foot($below, $network)];
        $most = null;
        foreach ($rows["{$size} over {$stack->size()}"] ?? [] as $row) {
            $most ??= Tolerance::isOver($stack->load, $row->load ?? INF, Tolerance::SUM) ? null : $row;
        }
        $length = ($network->air($vent->up)->lengthMm ?? 0.0) + $vent->lengthMm();
        if ($most?->value === null || ! Tolerance::isOver($length, $most->value, Tolerance::TAPE_MM)) {
            return null;
        }

        return new Finding(
            self::ID,
            Severity::Stop,
            $network->whereOf($vent),
            $length,
            $most->value,
            ['size' => $size, 'stack' => $stack->size(), 'length_mm' => $length, 'most_mm' => $most->value],
            $most->provenance,
        );
    }

    /** Gives the last upright pipe of the same stack, which carries all of it. */
    private static function foot(Segment $segment, Network $network): Segment
    {
        for ($i = 0; $i < 10_000; $i++) {
            $next = $network->drain($segment->down);
            $first = $next->stretches[0] ?? null;
            if ($next === null || $first === null || ! $first->isUpright() || $next->run() !== $segment->run()) {
                break;
            }
            $segment = $next;
        }

        return $segment;
    }
}
