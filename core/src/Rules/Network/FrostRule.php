<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Where it freezes hard, a vent goes through the roof large enough not to close with rime. */
final readonly class FrostRule implements NetworkRule
{
    public const ID = RuleId::VentFrost;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$least, $below] = [$rulebook->limit('vent.frost-size'), $rulebook->limit('vent.frost-below')];
        if ($least?->value === null || $below?->value === null) {
            return [];
        }
        $coldest = $network->layout->job->building->coldestC;
        $findings = [];
        foreach ($network->nodes as $node) {
            $size = $node->end?->kind === RunEndKind::Roof ? self::sizeAt($node, $network) : null;
            if ($size === null || ! Tolerance::isUnder(Nominal::mm($size), $least->value, Tolerance::NOMINAL_MM)) {
                continue;
            }
            if ($coldest === null) {
                return [Asked::of(RuleId::BuildingColdest, $network->whereNode($node), $below)];
            }
            if ($coldest <= -$below->value) {
                $findings[] = new Finding(
                    self::ID,
                    $least->provenance->isDoubtful() ? Severity::Warn : Severity::Stop,
                    $network->whereNode($node),
                    Nominal::mm($size),
                    $least->value,
                    ['size' => $size, 'least_mm' => $least->value, 'coldest_c' => $coldest],
                    $least->provenance,
                );
            }
        }

        return $findings;
    }

    /** Gives the size of the pipe that ends there. */
    private static function sizeAt(Node $node, Network $network): ?string
    {
        $segment = ($network->out($node)[0] ?? null) ?? ($network->in($node)[0] ?? null);
        $first = $segment?->stretches[0] ?? null;

        return $first?->leg->line->size ?? $segment?->size();
    }
}
