<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;

/** The pipe that air comes down to a trap, and what discharges into it. */
final readonly class AirPath
{
    /** How far a fall that was called out may differ from the one that is laid. */
    public const FALL_MM_PER_M = 0.1;

    /**
     * @param Segment $by that meets the drain of the trap
     * @param list<Segment> $wet that waste runs in, from the trap upward
     * @param list<Segment> $dry above them
     * @param list<LoadedFixture> $others that discharge above the trap
     */
    private function __construct(
        private Network $network,
        public Arm $arm,
        public Segment $by,
        public array $wet,
        public array $dry,
        public array $others,
    ) {}

    /** Gives the path of air to a trap; null where none meets it. */
    public static function of(Arm $arm, Network $network): ?self
    {
        if ($arm->by === null) {
            return null;
        }
        [$wet, $dry] = [[], []];
        for ($segment = $arm->by; $segment !== null; $segment = $network->airBefore($segment)) {
            if ($segment->isWet) {
                $wet[] = $segment;
            } else {
                $dry[] = $segment;
            }
        }

        return new self($network, $arm, $arm->by, $wet, $dry, $arm->by->heads);
    }

    /** Whether the same vent meets the drain of another trap at the same place. */
    public function isShared(): bool
    {
        $isHere = fn (Arm $other): bool => $other->vent === $this->arm->vent;

        return count(array_filter($this->network->vents($this->by), $isHere)) > 1;
    }

    /** Whether the pipe is upright where the trap's drain enters it. */
    public function isUpright(): bool
    {
        $stretches = $this->by->stretches;

        return $stretches !== [] && $stretches[count($stretches) - 1]->isUpright();
    }

    /** Whether all of the pipe that waste runs in is upright. */
    public function isStraight(): bool
    {
        foreach ($this->wet as $segment) {
            foreach ($segment->stretches as $stretch) {
                if (! $stretch->isUpright()) {
                    return false;
                }
            }
        }

        return true;
    }

    /** Whether none of the pipe that waste runs in above the trap is upright. */
    public function isStraightLevel(): bool
    {
        foreach ($this->wet as $segment) {
            if ($segment->hasUpright()) {
                return false;
            }
        }

        return true;
    }

    /** Whether any of the pipe, above the trap or onward, falls more than so many mm per m. */
    public function isSteeperThan(float $mmPerM): bool
    {
        foreach ([...$this->wet, ...$this->onward()] as $segment) {
            foreach ($segment->stretches as $stretch) {
                if (Tolerance::isOver($stretch->fallMmPerM(), $mmPerM, self::FALL_MM_PER_M)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether what runs in the pipe above is of the fixtures that discharge above the trap, and of no other. */
    public function isOfOthersAlone(): bool
    {
        foreach ($this->wet as $segment) {
            foreach ($segment->heads as $head) {
                if (! in_array($head, $this->others, true)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Gives the pipe downstream of where the trap's drain enters, as far as it goes on as the air's pipe does: upright
     * to the foot of a stack, level to the end of a branch.
     *
     * @return list<Segment>
     */
    public function onward(): array
    {
        $isUpright = $this->isUpright();
        $onward = [];
        $node = $this->arm->vent;
        while ($node !== null && ($segment = $this->network->drain($node)) !== null) {
            $first = $segment->stretches[0] ?? null;
            if ($first === null || $first->isUpright() !== $isUpright || count($onward) > 10_000) {
                break;
            }
            $onward[] = $segment;
            $node = $segment->down;
        }

        return $onward;
    }

    /** @return non-empty-list<LoadedFixture> all that discharge into the stack or branch, the trap's own among them */
    public function all(): array
    {
        $onward = $this->onward();

        $heads = $onward === [] ? [] : $onward[count($onward) - 1]->heads;

        return $heads === [] ? [...$this->others, $this->arm->head] : $heads;
    }

    /** Whether a fixture comes into the pipe by a drain of its own. */
    public function entersByItself(LoadedFixture $head): bool
    {
        $last = $this->network->arm($head)?->last();

        return $last !== null && count($last->heads) === 1;
    }

    /** Gives the height at which a fixture comes into the pipe, in mm; its own where it has no arm. */
    public function entryMm(LoadedFixture $head): float
    {
        return $this->network->arm($head)->vent->at->z ?? $head->node->at->z;
    }

    /** Whether the trap and all that discharge above it stand on one storey. */
    public function isOnOneStorey(float $storeyMm): bool
    {
        foreach ($this->others as $head) {
            if (abs($head->node->at->z - $this->arm->head->node->at->z) > $storeyMm) {
                return false;
            }
        }

        return true;
    }

    /** Whether the pipe goes on above the uppermost fixture as a dry vent that is nowhere smaller than the pipe. */
    public function hasFullStackVent(): bool
    {
        $stack = max([0.0, ...array_map(static fn (Segment $one): float => Nominal::mm($one->size()), $this->wet)]);
        foreach ($this->dry as $segment) {
            // Within one stretch between two places the size may change.
            foreach ($segment->stretches as $stretch) {
                if (Tolerance::isUnder(Nominal::mm($stretch->leg->line->size), $stack, Tolerance::NOMINAL_MM)) {
                    return false;
                }
            }
        }

        return $this->dry !== [];
    }

    /**
     * Gives the loads of fixtures by branch interval, counted down from the highest.
     *
     * @param non-empty-list<LoadedFixture> $heads
     * @return non-empty-array<int, float>
     */
    public function intervals(array $heads, float $storeyMm): array
    {
        $highest = max(array_map($this->entryMm(...), $heads));
        $loads = [];
        foreach ($heads as $head) {
            $interval = (int) floor(($highest - $this->entryMm($head)) / $storeyMm);
            $loads[$interval] = ($loads[$interval] ?? 0.0) + ($head->load->value ?? 0.0);
        }

        return $loads;
    }
}
