<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * Copies a run with everything that discharges into it or leaves it as a vent, and sets the copy in somewhere else
 * along what it enters: a bathroom once more,
 * as it is or mirrored, and as often as wanted. Ids and names get a number; marks start anew; what it ties to outside
 * the group stays the same.
 */
final class GroupCopy
{
    private const MIRROR = ['left' => Way::Right, 'right' => Way::Left, 'east' => Way::West, 'west' => Way::East];

    /**
     * @param string $id of the run that leads the group
     * @param float $stepMm how far along the leg that it enters each copy stands from the one before; negative: back
     * @param int $times from 1
     * @param bool $isMirrored east and west, left and right change places; headings are turned about north
     * @return Job the job with the copies; the same where there is no such run
     */
    public static function repeated(Job $job, string $id, float $stepMm, int $times, bool $isMirrored): Job
    {
        $group = self::group($job, $id);
        $runs = $job->runs;
        $obstacles = $job->obstacles;
        for ($n = 1; $n <= $times; $n++) {
            $taken = $job->withRuns($runs)->takenRunIds();
            $ids = [];
            foreach ($group as $run) {
                $ids[$run->id] = Ids::free($run->id, [...$taken, ...array_values($ids)]);
            }
            foreach ($group as $run) {
                $runs[] = self::copy($run, $ids, $run->id === $id ? $stepMm * $n : 0.0, $isMirrored, $n + 1);
            }
            foreach ($job->obstacles as $obstacle) {
                if (isset($ids[$obstacle->run])) {
                    $obstacles[] = self::obstacle(
                        $obstacle,
                        $ids[$obstacle->run],
                        array_map(static fn (Obstacle $one): string => $one->id, $obstacles),
                    );
                }
            }
        }

        return $job->withRuns($runs)->withObstacles($obstacles);
    }

    /** @return list<Run> the run, what enters it or leaves it, and what enters or leaves those */
    public static function group(Job $job, string $id): array
    {
        $ids = [$id => true];
        do {
            $before = count($ids);
            foreach ($job->runs as $run) {
                foreach ([$run->outlet->branch?->run, $run->tieIn->branch?->run, $run->tieIn->next] as $meets) {
                    if ($meets !== null && isset($ids[$meets]) && $run->id !== $id) {
                        $ids[$run->id] = true;
                    }
                }
            }
        } while (count($ids) > $before);

        return array_values(array_filter($job->runs, static fn (Run $run): bool => isset($ids[$run->id])));
    }

    /** @param array<string, string> $ids new by old */
    private static function copy(Run $run, array $ids, float $stepMm, bool $isMirrored, int $number): Run
    {
        $legs = ! $isMirrored
            ? $run->legs
            : array_map(
                static fn (Leg $leg): Leg => $leg->goingThe(self::MIRROR[$leg->way->value] ?? $leg->way),
                $run->legs,
            );
        $heading = $isMirrored ? fmod(360.0 - $run->headingDeg, 360.0) : $run->headingDeg;

        return new Run(
            $ids[$run->id],
            self::named($run->name, $number),
            $run->system,
            $run->size,
            $run->use,
            $run->fallMmPerM,
            self::end($run->outlet, $ids, 0.0, $number),
            self::end($run->tieIn, $ids, $stepMm, $number),
            $run->levelDifference,
            $heading,
            $legs,
            new Marks,
            $run->nextLeg,
            $run->place,
        );
    }

    /** @param array<string, string> $ids new by old */
    private static function end(End $end, array $ids, float $stepMm, int $number): End
    {
        $branch = $end->branch;
        $moved =
            $branch === null
                ? null
                : new BranchAt(
                    $ids[$branch->run] ?? $branch->run,
                    $branch->leg,
                    $branch->atMm === null ? null : max(0.0, $branch->atMm + $stepMm),
                    $branch->pattern,
                );
        $f = $end->fixture;
        $fixture =
            $f === null || $f->group === ''
                ? $f
                : new FixtureHead(
                    $f->kind,
                    $f->trap,
                    $f->trapSize,
                    $f->sealMm,
                    $f->dropMm,
                    $f->acrossMm,
                    $f->standpipeMm,
                    $f->trapAboveFloorMm,
                    $f->rimMm,
                    $f->hotC,
                    "{$f->group}{$number}",
                    $f->variant,
                );

        return new End(
            $end->what,
            $end->kind,
            $end->standing,
            $end->method,
            $fixture,
            $moved,
            $end->next === null ? null : $ids[$end->next] ?? $end->next,
            $end->terminal,
        );
    }

    /** @param list<string> $taken */
    private static function obstacle(Obstacle $o, string $run, array $taken): Obstacle
    {
        return $o->on($run, Ids::free($o->id, $taken));
    }

    private static function named(string $name, int $number): string
    {
        return mb_substr((string) preg_replace('/ \d+$/', '', $name), 0, 110)." {$number}";
    }
}
