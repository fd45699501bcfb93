<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;

/**
 * Places the frames of runs that meet into one. A run stands where its first tie puts it: a vent where it leaves its drain; what its second tie misses is reported.
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

    /** @var array<string, list<array{string, Vec3}>> ties of a run: the other run, and how far its outlet stands from this one's */
    private array $ties = [];

    /** @var array<string, int> how many other runs a run names that it meets: only one that names two can miss one */
    private array $tied = [];

    /** @param  array<string, RunLayout>  $layouts by id of run */
    public function __construct(private readonly array $layouts) {}

    /** Places all runs; gives itself, filled. */
    public function placed(): self
    {
        $roots = [];
        foreach ($this->layouts as $id => $layout) {
            $isRoot = $layout->run->tieIn->branch === null && $layout->run->tieIn->next === null && $layout->run->outlet->branch === null;
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
        foreach ([[$run->outlet->branch, null], [$run->tieIn->branch, $layout->end]] as [$branch, $point]) {
            $leg = $branch === null ? null : ($this->layouts[$branch->run] ?? null)?->leg($branch->leg);
            if ($branch !== null && $leg !== null) {
                $place = $leg->from->plus($leg->line->direction->times($branch->atMm ?? 0.0));
                $at = $point === null ? $place : $place->minus($point);
                $this->tied[$id] = ($this->tied[$id] ?? 0) + 1;
                $this->ties[$branch->run][] = [$id, $at];
                $this->ties[$id][] = [$branch->run, $at->times(-1.0)];
            }
        }
        if ($run->tieIn->next !== null && isset($this->layouts[$run->tieIn->next])) {
            $this->tied[$id] = ($this->tied[$id] ?? 0) + 1;
            $this->ties[$id][] = [$run->tieIn->next, $layout->end];
            $this->ties[$run->tieIn->next][] = [$id, $layout->end->times(-1.0)];
        }
    }

    private function grow(string $root): void
    {
        if (isset($this->offsets[$root])) {
            return;
        }
        $this->offsets[$root] = new Vec3(0.0, 0.0, 0.0);
        $this->frames[$root] = $root;
        for ($queue = [$root], $i = 0; $i < count($queue); $i++) {
            foreach ($this->ties[$queue[$i]] ?? [] as [$other, $offset]) {
                $at = $this->offsets[$queue[$i]]->plus($offset);
                $leaves = $this->layouts[$other]->run->outlet->branch?->run;
                if (! isset($this->offsets[$other]) && $leaves !== null && $leaves !== $queue[$i] && $this->meets($other, $queue[$i]) && isset($this->layouts[$leaves])) {
                    // A vent stands where it leaves its drain; where it joins another is only looked at.
                    continue;
                }
                if (! isset($this->offsets[$other])) {
                    $this->offsets[$other] = $at;
                    $this->frames[$other] = $root;
                    $queue[] = $other;
                } elseif (($this->tied[$queue[$i]] ?? 0) > 1 || ($this->tied[$other] ?? 0) > 1) {
                    $miss = $this->offsets[$other]->minus($at)->length();
                    if ($miss > 0.5) {
                        $run = $this->meets($queue[$i], $other) ? $queue[$i] : $other;
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

        return in_array($other, [$run->outlet->branch?->run, $run->tieIn->branch?->run, $run->tieIn->next], true);
    }
}
