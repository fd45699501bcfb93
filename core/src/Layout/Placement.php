<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Measure\Tolerance;

/**
 * Places the frames of runs that meet into one. A run stands where its first tie puts it: a vent where it leaves its
 * drain; what its second tie misses is reported.
 * Frames grow outward from the runs that end in nothing else, breadth first.
 */
final class Placement
{
    /** @var array<string, Vec3> */
    public array $offsets = [];

    /** @var array<string, string> */
    public array $frames = [];

    /** @var array<string, float> */
    public array $missesMm = [];

    /** @var list<string> */
    public array $loops = [];

    /**
     * @var array<string, list<array{string, float, float, float}>> ties of a run: the other run, and how far its outlet
     *     stands from this one's, in numbers: they are made for every run at every edit
     */
    private array $ties = [];

    /** @var array<string, int> how many other runs a run names that it meets: only one that names two can miss one */
    private array $tied = [];

    /** @param array<string, RunLayout> $layouts by id of run */
    public function __construct(private readonly array $layouts) {}

    /** Places all runs; gives itself, filled. */
    public function placed(): self
    {
        $roots = [];
        foreach ($this->layouts as $id => $layout) {
            $isRoot =
                $layout->run->tieIn->branch === null &&
                $layout->run->tieIn->next === null &&
                $layout->run->outlet->branch === null;
            if ($isRoot) {
                $roots[] = $id;
            }
            $this->tie($id, $layout);
        }
        foreach ($roots as $root) {
            $this->grow($root);
        }
        foreach (array_keys($this->layouts) as $id) {
            if (! isset($this->offsets[$id])) {
                // Nothing that it leads to ends anywhere.
                $this->loops[] = $id;
                $this->grow($id);
            }
        }

        return $this;
    }

    private function tie(string $id, RunLayout $layout): void
    {
        $run = $layout->run;
        if ($run->outlet->branch !== null) {
            $this->tieTo($id, $run->outlet->branch, 0.0, 0.0, 0.0);
        }
        if ($run->tieIn->branch !== null) {
            $this->tieTo($id, $run->tieIn->branch, $layout->end->x, $layout->end->y, $layout->end->z);
        }
        if ($run->tieIn->next !== null && isset($this->layouts[$run->tieIn->next])) {
            $this->tied[$id] = ($this->tied[$id] ?? 0) + 1;
            $this->ties[$id][] = [$run->tieIn->next, $layout->end->x, $layout->end->y, $layout->end->z];
            $this->ties[$run->tieIn->next][] = [$id, -$layout->end->x, -$layout->end->y, -$layout->end->z];
        }
    }

    /** Ties a point of a run, given in its own frame, to the place where it meets another. */
    private function tieTo(string $id, BranchAt $branch, float $x, float $y, float $z): void
    {
        $leg = ($this->layouts[$branch->run] ?? null)?->leg($branch->leg);
        if ($leg === null) {
            return;
        }
        [$from, $direction, $along] = [$leg->from, $leg->line->direction, $branch->atMm ?? 0.0];
        $x = $from->x + $direction->x * $along - $x;
        $y = $from->y + $direction->y * $along - $y;
        $z = $from->z + $direction->z * $along - $z;
        $this->tied[$id] = ($this->tied[$id] ?? 0) + 1;
        $this->ties[$branch->run][] = [$id, $x, $y, $z];
        $this->ties[$id][] = [$branch->run, -$x, -$y, -$z];
    }

    private function grow(string $root): void
    {
        if (isset($this->offsets[$root])) {
            return;
        }
        $this->offsets[$root] = new Vec3(0.0, 0.0, 0.0);
        $this->frames[$root] = $root;
        for ($queue = [$root], $i = 0; $i < count($queue); $i++) {
            $from = $queue[$i];
            $at = $this->offsets[$from];
            foreach ($this->ties[$from] ?? [] as [$other, $x, $y, $z]) {
                if (! isset($this->offsets[$other])) {
                    $leaves = $this->layouts[$other]->run->outlet->branch?->run;
                    if (
                        $leaves !== null &&
                        $leaves !== $from &&
                        $this->meets($other, $from) &&
                        isset($this->layouts[$leaves])
                    ) {
                        // A vent stands where it leaves its drain; where it joins another is only looked at.
                        continue;
                    }
                    $this->offsets[$other] = new Vec3($at->x + $x, $at->y + $y, $at->z + $z);
                    $this->frames[$other] = $root;
                    $queue[] = $other;
                } elseif (($this->tied[$from] ?? 0) > 1 || ($this->tied[$other] ?? 0) > 1) {
                    $miss = $this->offsets[$other]->minus(new Vec3($at->x + $x, $at->y + $y, $at->z + $z))->length();
                    if ($miss > Tolerance::TAPE_MM) {
                        $run = $this->meets($from, $other) ? $from : $other;
                        $this->missesMm[$run] = max($this->missesMm[$run] ?? 0.0, $miss);
                    }
                }
            }
        }
    }

    /** Whether the first run names the second one as what it meets. */
    private function meets(string $one, string $other): bool
    {
        $run = $this->layouts[$one]->run;

        return $run->outlet->branch?->run === $other ||
            $run->tieIn->branch?->run === $other ||
            $run->tieIn->next === $other;
    }
}
