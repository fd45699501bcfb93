<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Job;

/** All runs of a job laid out, each in its own frame, with where that frame stands in the job's. */
final readonly class JobLayout
{
    /**
     * @param Job $job with all marks allotted
     * @param array<string, RunLayout> $runs by id
     * @param array<string, Vec3> $offsets by id of run: where its outlet stands; runs that meet stand in one frame
     * @param array<string, string> $frames by id of run: the run whose frame it stands in
     * @param array<string, float> $missesMm by id of run: how far its far end lies from the place in the other run that
     *     it should meet
     * @param list<string> $loops ids of runs that run into themselves
     */
    public function __construct(
        public Job $job,
        public array $runs,
        public array $offsets,
        public array $frames,
        public array $missesMm,
        public array $loops,
    ) {}

    /** @return list<string> ids of the runs */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->runs));
    }

    /** Gives a point of a run, by its tape in mm, in the frame that it stands in. */
    public function pointAt(string $run, float $tapeMm): Vec3
    {
        return $this->offsets[$run]->plus($this->runs[$run]->pointAt($tapeMm));
    }
}
