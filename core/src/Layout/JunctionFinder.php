<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunUse;

/**
 * Chooses the branch fitting at a junction: those that make the angle within the play of its joints, of these sizes; of
 * those the one that the rulebook
 * takes for the way the water turns, then the one that is usual there. What the user asked for is kept, and judged by
 * the rules.
 */
final readonly class JunctionFinder
{
    /**
     * What is usual, first to last. From level into upright a tee; from upright or level into level what leads the
     * water in the direction of flow.
     */
    private const INTO_UPRIGHT = [
        'san-tee',
        'double-san-tee',
        'double-fixture',
        'swept-tee',
        'double-swept-tee',
        'boss',
        'branch-112',
        'branch-135',
        'double-branch-135',
        'combo',
        'double-combo',
        'wye',
        'double-wye',
    ];

    private const INTO_LEVEL = [
        'wye',
        'double-wye',
        'combo',
        'double-combo',
        'branch-135',
        'double-branch-135',
        'branch-112',
        'swept-tee',
        'san-tee',
    ];

    private const DRY = ['vent-tee', 'san-tee', 'swept-tee', 'wye', 'combo', 'branch-135', 'branch-112', 'boss'];

    /**
     * How far off the line of the run its own flow may be and still pass straight through, beyond the play: a vent that
     * rises plumb over a leg that is pitched.
     */
    private const THROUGH_DEG = 3.0;

    /** @param float $playDeg the angle that one made joint gives without strain */
    public function __construct(private PipeSystem $system, private Rulebook $rulebook, private float $playDeg) {}

    /**
     * @param non-empty-list<BranchEntry> $taps that meet the run at one place
     * @param LegLine $line the leg that they are on, or that the turn leads into
     * @param ?LegLine $before the leg before, where they meet it in the turn
     * @param Run $run that they meet
     */
    public function find(array $taps, LegLine $line, ?LegLine $before, Run $run): Junction
    {
        [$isVent, $isReversed] = [$run->use === RunUse::Vent, $run->rises()];
        $flow = $isReversed ? $line->direction->times(-1.0) : $line->direction;
        $at = $taps[0]->at->atMm;
        if ($at === null) {
            return $this->inTurn($taps, $line, $before, $flow);
        }
        // A vent takes a fitting either way up: only the angle between the axes counts.
        $in = $taps[0]->isVent && $taps[0]->flow->angleTo($flow) > 90.0 ? $taps[0]->flow->times(-1.0) : $taps[0]->flow;
        $angle = $in->angleTo($flow);
        $orientation = Orientation::of($in, $flow);
        $make = static fn (?Branch $branch, ?JunctionTrouble $trouble): Junction => new Junction(
            $line->leg->id,
            $at,
            $taps,
            $branch,
            $trouble,
            $flow,
            $orientation,
            $angle,
            self::strainDeg($branch, $angle),
            $isReversed,
        );
        if (count($taps) > 2 || (count($taps) === 2 && ! $this->areOpposite($taps[0], $taps[1], $flow))) {
            return $make(null, JunctionTrouble::NotOpposite);
        }
        $isDry = array_filter($taps, static fn (BranchEntry $tap): bool => ! $tap->isVent) === [];
        $size = self::larger($this->system, array_map(static fn (BranchEntry $tap): string => $tap->size, $taps));
        if ($taps[0]->system === $this->system->key && $this->system->isLarger($size, $line->size)) {
            // A vent may grow as soon as it has left the drain; a drain never enters a smaller one.
            return $isDry
                ? $make(...$this->choose($line->size, $line->size, $taps, $orientation, $angle, $isDry, $isVent))
                : $make(null, JunctionTrouble::Larger);
        }

        return $make(...$this->choose($line->size, $size, $taps, $orientation, $angle, $isDry, $isVent));
    }

    /**
     * The leg before enters from the side, the tap comes straight down the run: a fixture arm into an upright pipe that
     * goes on up as a vent.
     *
     * @param non-empty-list<BranchEntry> $taps
     */
    private function inTurn(array $taps, LegLine $line, ?LegLine $before, Vec3 $flow): Junction
    {
        $in = $before->direction ?? $flow;
        $angle = $in->angleTo($flow);
        $orientation = Orientation::of($in, $flow);
        $make = static fn (?Branch $branch, ?JunctionTrouble $trouble): Junction => new Junction(
            $line->leg->id,
            null,
            $taps,
            $branch,
            $trouble,
            $flow,
            $orientation,
            $angle,
            self::strainDeg($branch, $angle),
        );
        if (
            count($taps) > 1 ||
            $before === null ||
            $taps[0]->flow->angleTo($flow) > 2 * $this->playDeg + self::THROUGH_DEG
        ) {
            return $make(null, JunctionTrouble::NotOpposite);
        }
        if ($this->system->isLarger($before->size, $line->size)) {
            return $make(null, JunctionTrouble::Larger);
        }

        return $make(...$this->choose($line->size, $before->size, $taps, $orientation, $angle, false, false));
    }

    /**
     * @param non-empty-list<BranchEntry> $taps
     * @return array{?Branch, ?JunctionTrouble}
     */
    private function choose(
        string $size,
        string $branchSize,
        array $taps,
        Orientation $orientation,
        float $angle,
        bool $isDry,
        bool $isVent,
    ): array {
        $asked = $taps[0]->at->pattern ?? ($taps[1]->at->pattern ?? null);
        $isDouble = count($taps) === 2;
        $order = match (true) {
            $isDry && $isVent => self::DRY,
            $isDry => $this->rulebook->allows('vent.tee-on-back') || $orientation !== Orientation::UprightToLevel
                ? ['san-tee', ...self::INTO_LEVEL, 'boss']
                : self::INTO_LEVEL,
            $orientation === Orientation::LevelToUpright,
            $orientation === Orientation::UprightToUpright => self::INTO_UPRIGHT,
            default => self::INTO_LEVEL,
        };
        [$best, $bestRank, $any] = [null, null, false];
        foreach ($this->system->branchesOf($size, $branchSize) as $branch) {
            $takes =
                $branch->branchSystems === []
                    ? $taps[0]->system === $this->system->key || isset($this->system->pipes[$taps[0]->size])
                    : in_array($taps[0]->system, $branch->branchSystems, true);
            $place = array_search($branch->pattern, $order, true);
            if (
                ! $takes ||
                $branch->isDouble !== $isDouble ||
                ($asked === null && $place === false) ||
                ($asked !== null && $branch->pattern !== $asked)
            ) {
                continue;
            }
            $any = true;
            if (abs($branch->turnDeg - $angle) > 2 * $this->playDeg && $branch->pattern !== 'boss') {
                continue;
            }
            $rank = [$isDry ? 0 : $this->objection($branch, $taps, $orientation, $size), (int) $place];
            if ($bestRank === null || $rank < $bestRank) {
                [$best, $bestRank] = [$branch, $rank];
            }
        }

        return [
            $best,
            match (true) {
                $best !== null => null,
                $angle > 90.0 + 2 * $this->playDeg => JunctionTrouble::AgainstFlow,
                $any => JunctionTrouble::NoAngle,
                default => JunctionTrouble::NoSuchFitting,
            },
        ];
    }

    /** @param non-empty-list<BranchEntry> $taps */
    private function objection(Branch $branch, array $taps, Orientation $orientation, string $size): int
    {
        if (
            $branch->pattern === 'double-san-tee' &&
            ($taps[0]->isCloset ||
                ($taps[1]->isCloset ?? false) ||
                $this->rulebook->limit('cross.sizes-larger') !== null)
        ) {
            return 1;
        }

        return TurnFinder::objection(
            $this->rulebook,
            $branch->pattern,
            $orientation,
            RunUse::Drain,
            $size,
            $this->system,
        );
    }

    /** What each of the two joints must give; the rubber of a boss gives what is needed. */
    private static function strainDeg(?Branch $branch, float $angle): float
    {
        return $branch === null || $branch->pattern === 'boss' ? 0.0 : abs($branch->turnDeg - $angle) / 2;
    }

    private function areOpposite(BranchEntry $one, BranchEntry $other, Vec3 $flow): bool
    {
        [$a, $b] = [$one->flow->squareTo($flow), $other->flow->squareTo($flow)];

        return $a !== null &&
            $b !== null &&
            $a->angleTo($b) > 180.0 - 6 * $this->playDeg &&
            abs($one->flow->angleTo($flow) - $other->flow->angleTo($flow)) <= 4 * $this->playDeg;
    }

    /** @param non-empty-list<string> $sizes */
    private static function larger(PipeSystem $system, array $sizes): string
    {
        return isset($sizes[1], $system->pipes[$sizes[0]], $system->pipes[$sizes[1]]) &&
            $system->isLarger($sizes[1], $sizes[0])
            ? $sizes[1]
            : $sizes[0];
    }
}
