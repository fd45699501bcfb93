<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\JunctionTrouble;
use FallBend\Core\Layout\OddBranch;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Where two runs meet a branch fitting can stand: it enters with the flow, at an angle that is made, no larger than
 * what it enters.
 */
final readonly class BranchImpossibleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            $trouble = $node->junction?->trouble;
            if ($node->junction === null || $trouble === null) {
                continue;
            }
            $tap = $node->junction->taps[0];
            $findings[] = new Finding(
                self::rule($trouble),
                Severity::Stop,
                $network->whereNode($node),
                $node->junction->angleDeg,
                null,
                [
                    'angle_deg' => $node->junction->angleDeg,
                    'branch' => $network->layout->runs[$tap->run]->run->name,
                    'size' => $tap->size,
                    'into' => $network->layout->runs[$node->run]->leg($node->junction->leg)->line->size ?? '',
                    'turn' => $node->junction->isTurn() ? 'yes' : 'no',
                    ...$trouble === JunctionTrouble::NoAngle ? self::rolled($network, $node->run, $node->junction) : [],
                ],
            );
        }

        return $findings;
    }

    /**
     * How it is made of a fitting and a rolled bend, with another fitting or bend beside the best.
     *
     * @return array<string, float|int|string>
     */
    private static function rolled(Network $network, string $run, Junction $junction): array
    {
        $tap = $junction->taps[0];
        $layout = $network->layout->runs[$run];
        $line = $layout->leg($junction->leg)?->line;
        if ($line === null || $junction->isTurn() || $tap->isVent || count($junction->taps) > 1) {
            return [];
        }
        $said = self::nearest($layout->system, $line->size, $tap->size, $junction->angleDeg);
        $outside = $layout->system->pipe($line->size)->outsideMm;
        $ways = OddBranch::ways($layout->system, $tap->flow, $junction->flow, [$line->size, $tap->size]);
        foreach (self::twoOf($ways) as $n => $way) {
            $moves = $way->moves($tap->flow, $junction->flow);
            if ($moves !== null) {
                $turn = fmod($way->direction->headingDeg() - $tap->flow->headingDeg() + 540.0, 360.0) - 180.0;
                $of = $n === 0 ? 'one' : 'other';
                $said += ['branch_run' => $tap->run, ...self::way($of, $way, $turn, $outside)];
                $said += ["{$of}_shorter" => $moves[0], "{$of}_further" => $moves[1]];
            }
        }

        return $said;
    }

    /**
     * @param string $of one of the two ways: `one`, `other`
     * @param float $turnDeg of the short leg in plan, to the right
     * @param float $outsideMm of the run, round which the roll is marked
     * @return array<string, float|string>
     */
    private static function way(string $of, OddBranch $way, float $turnDeg, float $outsideMm): array
    {
        return [
            "{$of}_fitting" => "{$way->branch->sizeInWords()} {$way->branch->name}",
            "{$of}_bend" => $way->bend->name,
            "{$of}_roll_deg" => round($way->rollDeg, 1),
            "{$of}_mark_mm" => Roll::markMm($way->rollDeg, $outsideMm),
            "{$of}_turn_deg" => round($turnDeg, 3),
            "{$of}_fall" => round(1000 * tan(deg2rad($way->direction->dipDeg())), 3),
            "{$of}_long" => $way->lengthMm,
        ];
    }

    /** @return array<string, float|string> the fitting that makes the angle most nearly, and by how much it is off */
    private static function nearest(PipeSystem $system, string $size, string $branchSize, float $angle): array
    {
        $nearest = null;
        foreach ($system->branchesOf($size, $branchSize) as $branch) {
            $off = abs($branch->turnDeg - $angle);
            if (! $branch->isDouble && ($nearest === null || $off < $nearest['off_deg'])) {
                $nearest = ['nearest' => "{$branch->sizeInWords()} {$branch->name}", 'off_deg' => $off];
            }
        }

        return $nearest ?? [];
    }

    /**
     * @param list<OddBranch> $ways
     * @return list<OddBranch> the best, and the best with another fitting or bend; none where there are none
     */
    private static function twoOf(array $ways): array
    {
        $first = array_slice($ways, 0, 1);
        foreach ($ways as $way) {
            if ($way->branch !== $first[0]->branch || $way->bend !== $first[0]->bend) {
                return [...$first, $way];
            }
        }

        return $first;
    }

    private static function rule(JunctionTrouble $trouble): RuleId
    {
        return match ($trouble) {
            JunctionTrouble::AgainstFlow => RuleId::BranchAgainstFlow,
            JunctionTrouble::NoAngle => RuleId::BranchNoAngle,
            JunctionTrouble::Larger => RuleId::BranchLarger,
            JunctionTrouble::NotOpposite => RuleId::BranchNotOpposite,
            JunctionTrouble::OffLeg => RuleId::BranchOffLeg,
            JunctionTrouble::NoSuchFitting => RuleId::BranchNoSuchFitting,
        };
    }
}
