<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;

/**
 * The day in which a run is joined, by its own order, methods and weather. Joints go by their numbers.
 *
 * `goes` is false where the run does not go together as it is, or that was not found out: Make-up says why. Without a
 * day there is `unsettled` where joints have no method yet.
 *
 * @phpstan-import-type WrittenDay from GlueClock
 * @phpstan-import-type Held from Hands
 * @phpstan-import-type MadeJoint from RunTimes
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type WrittenRunDay array{
 *     goes: bool,
 *     unsettled: list<int>,
 *     day: WrittenDay|null,
 *     hands: list<Held>,
 *     made: list<MadeJoint>,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 */
final readonly class RunDay
{
    private RunTimes $times;

    private SiteTimetable $table;

    public function __construct(
        private RunLayout $layout,
        private Job $job,
        Catalogue $catalogue,
        Rulebook $book,
        private Effort $effort,
    ) {
        $this->table = new SiteTimetable($catalogue, $book, $job->conditions);
        $this->times = new RunTimes($layout, $this->table);
    }

    /**
     * @param ?DoneJoints $done what was done of it by now; null: nothing
     * @return WrittenRunDay
     */
    public function toArray(DayAsked $asked, ?DoneJoints $done = null): array
    {
        $order = RunOrder::of($this->layout);
        $moves = $order?->moves($this->effort);
        $unsettled = $this->times->unsettled();
        if ($order === null || $moves === null || $unsettled !== []) {
            return [
                'goes' => $moves !== null,
                'unsettled' => array_map(static fn (Joint $joint): int => $joint->number, $unsettled),
                'day' => null,
                'hands' => [],
                'made' => $this->times->clocks($done->made ?? [], $asked->start),
                'findings' => [],
                'sources' => [],
            ];
        }

        return $this->planned(new JointNeeds($moves, $order->joints()), $asked, $done);
    }

    /** @return WrittenRunDay of a run that goes together, whose joints all have their methods */
    private function planned(JointNeeds $needs, DayAsked $asked, ?DoneJoints $done): array
    {
        $joints = $this->joints($needs, $done);
        // What is begun goes on from now, whenever it was to begin.
        $start =
            $done === null || $done->dry === []
                ? $asked->start
                : $done->now->setTimezone($asked->start->getTimezone());
        $clock = new GlueClock(
            $joints,
            $asked->people,
            $start,
            $asked->closedFrom,
            $asked->closedUntil,
            $this->table->dryFit(),
            $this->effort,
        );
        [$day, $findings] = $clock->day();
        $hands = new Hands($this->layout, $this->times, $this->table->farEndMm());

        return [
            'goes' => true,
            'unsettled' => [],
            'day' => $day,
            'hands' => $hands->of($day['steps'], array_map(strval(...), array_keys($done->made ?? []))),
            'made' => $this->times->clocks($done->made ?? [], $start),
            'findings' => FindingReport::list($findings, $this->job->units),
            'sources' => SourceList::list($clock->sources()),
        ];
    }

    /** @return list<ClockedJoint> in the order of flow */
    private function joints(JointNeeds $order, ?DoneJoints $done): array
    {
        $numbers = array_column($this->layout->joints, 'number', 'key');
        $joints = [];
        foreach ($this->layout->joints as $joint) {
            $times = $this->times->times($joint);
            if ($times === null) {
                continue;
            }
            $joints[] = new ClockedJoint(
                (string) $joint->number,
                $times,
                self::named($order->needs[$joint->key] ?? [], $numbers),
                self::named($order->with[$joint->key] ?? [], $numbers),
                $this->times->isInLine($joint),
                in_array((string) $joint->number, $done->dry ?? [], true),
                $done->made[(string) $joint->number] ?? null,
            );
        }

        return $joints;
    }

    /**
     * @param list<string> $keys of joints
     * @param array<string, int> $numbers by key
     * @return list<string>
     */
    private static function named(array $keys, array $numbers): array
    {
        return array_map(static fn (string $key): string => (string) $numbers[$key], $keys);
    }
}
