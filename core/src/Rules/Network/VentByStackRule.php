<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Venting\Tried;
use FallBend\Core\Venting\Vents;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Pipe that waste from other fixtures runs down vents a trap only in a way that the rulebook has. What may be one that
 * is not judged here is asked for, and not refused.
 */
final readonly class VentByStackRule implements NetworkRule
{
    public const ID = RuleId::VentByStack;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        $vents = new Vents($network, $rulebook);
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $arm->vent === null || (! $arm->isWetVented() && ! $arm->isLooped())) {
                continue;
            }
            $isAlone = $arm->isWetVented() && ($arm->by->heads ?? []) === [];
            if ($isAlone || $vents->method($arm) !== null) {
                // Where nobody said what comes down it, that is asked for: see `VentMissingRule`.
                continue;
            }
            $findings[] = self::found($arm, $vents->tried($arm), $network, $rulebook);
        }

        return $findings;
    }

    /**
     * Says that a trap is vented in no way that the book has, or in one that is not judged or of which something is not
     * known.
     *
     * @param list<Tried> $tried
     */
    public static function found(Arm $arm, array $tried, Network $network, Rulebook $rulebook): Finding
    {
        $others = $arm->by->heads ?? [];
        $open = Vents::notJudged($tried);
        $nearest = Vents::nearest($tried);
        $named = $open ?? $nearest;
        $case = match (count($others)) {
            0 => 'alone',
            1 => 'one',
            default => 'more',
        };
        $params = [
            'fixture' => $arm->head->name,
            'other' => $others[0]->name ?? '',
            'more' => max(0, count($others) - 1),
            'method' => $named->row->title ?? '',
            'missing' => implode('; ', $named?->missingInWords() ?? []),
            'case' => match (true) {
                $open !== null => $open->missing === [] ? 'read' : 'asked',
                $nearest === null => $case,
                default => "{$case}-missing",
            },
        ];

        return new Finding(
            $open === null ? self::ID : RuleId::VentNotJudged,
            $open === null ? Severity::Stop : Severity::Unknown,
            $network->where($arm->head->node->run, $network->drain($arm->head->node)->toMm ?? 0.0),
            params: $params,
            source: $open->row->provenance ?? ($nearest->row->provenance ?? $rulebook->source('vent.by-stack')),
        );
    }
}
