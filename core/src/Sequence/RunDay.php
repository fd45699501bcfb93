<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Joining\Method;
use FallBend\Core\Layout\EndJoint;
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
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type MadeJoint array{joint: string, at: string, may_move: ?string, may_fill: ?string}
 * @phpstan-type WrittenRunDay array{
 *     goes: bool,
 *     unsettled: list<int>,
 *     day: WrittenDay|null,
 *     made: list<MadeJoint>,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 * }
 */
final readonly class RunDay
{
    public function __construct(
        private RunLayout $layout,
        private Job $job,
        private Catalogue $catalogue,
        private Rulebook $book,
        private Effort $effort,
    ) {}

    /**
     * @param ?DoneJoints $done what was done of it by now; null: nothing
     * @return WrittenRunDay
     */
    public function toArray(DayAsked $asked, ?DoneJoints $done = null): array
    {
        $order = RunOrder::of($this->layout);
        $moves = $order?->moves($this->effort);
        $unsettled = array_values(
            array_filter($this->layout->joints, fn (Joint $joint): bool => $this->method($joint) === null),
        );
        if ($order === null || $moves === null || $unsettled !== []) {
            return [
                'goes' => $moves !== null,
                'unsettled' => array_map(static fn (Joint $joint): int => $joint->number, $unsettled),
                'day' => null,
                'made' => [],
                'findings' => [],
                'sources' => [],
            ];
        }

        return $this->planned(new JointNeeds($moves, $order->joints()), $asked, $done);
    }

    /** @return WrittenRunDay of a run that goes together, whose joints all have their methods */
    private function planned(JointNeeds $needs, DayAsked $asked, ?DoneJoints $done): array
    {
        $table = new SiteTimetable($this->catalogue, $this->book, $this->job->conditions);
        $joints = $this->joints($needs, $table, $done);
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
            $table->dryFit(),
            $this->effort,
        );
        [$day, $findings] = $clock->day();

        return [
            'goes' => true,
            'unsettled' => [],
            'day' => $day,
            'made' => self::made($joints, $start),
            'findings' => FindingReport::list($findings, $this->job->units),
            'sources' => SourceList::list($clock->sources()),
        ];
    }

    /** @return list<ClockedJoint> in the order of flow */
    private function joints(JointNeeds $order, SiteTimetable $table, ?DoneJoints $done): array
    {
        $numbers = array_column($this->layout->joints, 'number', 'key');
        $joints = [];
        foreach ($this->layout->joints as $joint) {
            $method = $this->method($joint);
            if ($method === null) {
                continue;
            }
            $theirs = $this->end($joint)?->theirs;
            $joints[] = new ClockedJoint(
                (string) $joint->number,
                $table->times($method, $this->layout->system, $joint->size, $theirs?->system),
                self::named($order->needs[$joint->key] ?? [], $numbers),
                self::named($order->with[$joint->key] ?? [], $numbers),
                $this->end($joint)?->end->kind === RunEndKind::Standing,
                in_array((string) $joint->number, $done->dry ?? [], true),
                $done->made[(string) $joint->number] ?? null,
            );
        }

        return $joints;
    }

    /**
     * @param list<ClockedJoint> $joints
     * @return list<MadeJoint> those that are made, with their clocks, in the zone of a time
     */
    private static function made(array $joints, DateTimeImmutable $like): array
    {
        $made = [];
        foreach ($joints as $joint) {
            if ($joint->madeAt !== null) {
                $after = static fn (?float $minutes): ?string => $minutes === null
                    ? null
                    : $like
                        ->setTimestamp($joint->madeAt->getTimestamp() + (int) ceil($minutes * 60))
                        ->format(DateTimeInterface::ATOM);
                $made[] = [
                    'joint' => $joint->id,
                    'at' => (string) $after(0.0),
                    'may_move' => $after($joint->times->setMin),
                    'may_fill' => $after($joint->times->fillMin),
                ];
            }
        }

        return $made;
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

    /** Gives how a joint is made: as it was chosen, or the best way; null where it is not settled. */
    private function method(Joint $joint): ?Method
    {
        $end = $this->end($joint);
        if ($end !== null) {
            return $end->offer?->method;
        }

        return $this->layout->system->ownJoint === null ? null : Method::from($this->layout->system->ownJoint);
    }

    private function end(Joint $joint): ?EndJoint
    {
        return match ($joint->key) {
            'outlet' => $this->layout->site->outlet,
            'tie-in' => $this->layout->site->tieIn,
            default => null,
        };
    }
}
