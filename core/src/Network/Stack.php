<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\RunLayout;

/** The upright pipe of one run with what discharges into it. Heights in mm, in the frame of the run. */
final readonly class Stack
{
    /** @param non-empty-list<StackBranch> $branches the highest first */
    private function __construct(public RunLayout $layout, public array $branches) {}

    /** Gives the stack that a run is; null where nothing discharges into upright pipe of it. */
    public static function of(RunLayout $layout): ?self
    {
        $branches = [];
        foreach ($layout->run->use === RunUse::Vent ? [] : $layout->site->junctions as $junction) {
            $leg = $layout->leg($junction->leg);
            if ($leg !== null && $leg->isUpright() && ! $junction->taps[0]->isVent) {
                $at = $junction->atMm ?? 0.0;
                $z = $leg->from->z + $leg->line->direction->z * $at;
                $branches[] = new StackBranch($junction, $leg, $z, $leg->tapeMm + $at);
            }
        }
        usort($branches, static fn (StackBranch $a, StackBranch $b): int => $b->z <=> $a->z);

        return $branches === [] ? null : new self($layout, $branches);
    }

    /** Gives how many branch intervals have branches. */
    public function intervals(float $storeyMm): int
    {
        return count($this->byInterval($storeyMm));
    }

    /**
     * Gives the branches by branch interval: storeys counted down from the highest branch.
     *
     * @return array<int, non-empty-list<StackBranch>>
     */
    public function byInterval(float $storeyMm): array
    {
        $highest = $this->branches[0]->z;
        $levels = [];
        foreach ($this->branches as $branch) {
            $levels[(int) floor(($highest - $branch->z) / max(1.0, $storeyMm))][] = $branch;
        }

        return $levels;
    }

    /** Gives the branch that enters lowest. */
    public function lowest(): StackBranch
    {
        return $this->branches[count($this->branches) - 1];
    }

    /** Gives the height of its foot: where the upright pipe that the lowest branch enters ends. */
    public function footZ(): float
    {
        return min($this->lowest()->leg->to()->z, $this->lowest()->leg->from->z);
    }

    /** Gives where its foot is on the tape of its run. */
    public function footTapeMm(): float
    {
        return $this->lowest()->leg->tapeMm + $this->lowest()->leg->centreMm;
    }
}
