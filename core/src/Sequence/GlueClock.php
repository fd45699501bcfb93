<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Catalog\Assumption;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A day of joining: who tries what dry, who joins what and when, when it may be moved and filled, when the line of the
 * house is closed and opened, and what decides when it can be tested. Times of day are ISO 8601, in the zone of the
 * beginning.
 *
 * @phpstan-type DayStep array{
 *     joint: string,
 *     what: 'dry-fit'|'join',
 *     who: list<int>,
 *     from: string,
 *     until: string,
 *     push_by: ?string,
 *     hold_until: ?string,
 *     may_move: ?string,
 *     may_fill: ?string,
 * }
 * @phpstan-type CriticalStep array{joint: string, cause: value-of<Cause>, after: ?string}
 * @phpstan-type Wait array{who: int, from: string, until: string}
 * @phpstan-type WrittenDay array{
 *     steps: list<DayStep>,
 *     waits: list<Wait>,
 *     closed_from: ?string,
 *     open_again: ?string,
 *     hands_on_min: float,
 *     earliest_test: ?string,
 *     critical: list<CriticalStep>,
 *     bound: ?string,
 *     optimal: bool,
 * }
 */
final readonly class GlueClock
{
    /** Steps of the search for the best order: less than a tenth of a second. */
    private const MOST = 60_000;

    /** Nobody begins something else for less. */
    private const LEAST_WAIT_MIN = 2.0;

    /** @var list<ClockedJoint> still to be made */
    private array $open;

    /**
     * @param list<ClockedJoint> $joints of the day, those that are made too
     * @param int $people 1 or 2
     * @param DateTimeImmutable $start of what is still to be done: now, or when the day begins
     * @param DateTimeImmutable|null $closedFrom before then nothing in the line of the house is begun
     * @param DateTimeImmutable|null $closedUntil by then water runs in it again
     * @param Assumption $dryFit how long one joint is tried dry, in minutes
     */
    public function __construct(
        private array $joints,
        private int $people,
        private DateTimeImmutable $start,
        private ?DateTimeImmutable $closedFrom,
        private ?DateTimeImmutable $closedUntil,
        private Assumption $dryFit,
        private Effort $effort,
    ) {
        $this->open = array_values(
            array_filter($joints, static fn (ClockedJoint $joint): bool => $joint->madeAt === null),
        );
    }

    /**
     * @return array{WrittenDay, list<Finding>} the day, without steps where the times of a joint are not known; and
     *     limits that cannot be met, with what the weather does to the joints
     *
     * @throws BadInput if two joints need each other
     */
    public function day(): array
    {
        $unknown = array_filter($this->joints, static fn (ClockedJoint $joint): bool => ! $joint->times->isKnown());
        $breaths = Breaths::list(
            array_map(static fn (ClockedJoint $one): SiteJoint => $one->toSiteJoint(), $this->open),
            $this->together(),
        );
        $findings = [...$this->tooFewPeople(), ...$this->breathsTooLong($breaths)];
        if ($unknown !== []) {
            $findings[] = new Finding(
                RuleId::DayTimesNotKnown,
                Severity::Unknown,
                new Where,
                params: ['joints' => self::names($unknown), 'count' => count($unknown)],
            );

            return [$this->empty(), [...$findings, ...$this->weather()]];
        }
        $problem = new DayProblem($breaths, $this->people, array_map($this->releaseMin(...), $breaths));
        $plan = (new DaySearch($problem, $this->effort->part(self::MOST)))->plan();
        $day = $this->written($problem, $plan);

        return [
            $day,
            [...$findings, ...$this->closedTooShort($this->openAgainMin($problem, $plan)), ...$this->weather()],
        ];
    }

    /** @return list<Provenance> what the times of all joints rest on */
    public function sources(): array
    {
        return [
            $this->dryFit->provenance,
            ...array_merge(...array_map(static fn (ClockedJoint $one): array => $one->times->sources, $this->joints)),
        ];
    }

    /** @return list<Finding> each rule once: the weather is the same for all joints */
    private function weather(): array
    {
        $once = [];
        foreach ($this->joints as $joint) {
            foreach ($joint->times->findings as $finding) {
                $once[$finding->rule->value] ??= $finding;
            }
        }

        return array_values($once);
    }

    /** @return list<array{string, string}> ids of two that are made in one breath, where both are still to be made */
    private function together(): array
    {
        $open = array_map(static fn (ClockedJoint $joint): string => $joint->id, $this->open);
        $together = [];
        foreach ($this->open as $joint) {
            foreach (array_intersect($joint->with, $open) as $other) {
                $together[] = [$joint->id, $other];
            }
        }

        return $together;
    }

    /**
     * From when a breath may begin, in minutes: once all is tried dry, what was made before has set, and the line is
     * closed.
     */
    private function releaseMin(Breath $breath): float
    {
        $release = $this->dryFitMin();
        $byId = $this->byId();
        foreach ($breath->joints as $joint) {
            if ($joint->isInLine && $this->closedFrom !== null) {
                $release = max($release, $this->minutes($this->closedFrom) - $breath->from[$joint->id]);
            }
            foreach ($joint->needs as $needed) {
                $before = $byId[$needed] ?? null;
                if ($before?->madeAt !== null) {
                    $set = $this->minutes($before->madeAt) + ($before->times->setMin ?? 0.0);
                    $release = max($release, $set - $breath->from[$joint->id]);
                }
            }
        }

        return $release;
    }

    /** @return array<string, ClockedJoint> */
    private function byId(): array
    {
        $byId = [];
        foreach ($this->joints as $joint) {
            $byId[$joint->id] = $joint;
        }

        return $byId;
    }

    /** How long it takes until the last is tried dry. */
    private function dryFitMin(): float
    {
        return ceil(count($this->toDryFit()) / $this->people) * $this->dryFit->value;
    }

    /** @return list<ClockedJoint> */
    private function toDryFit(): array
    {
        return array_values(array_filter($this->open, static fn (ClockedJoint $joint): bool => ! $joint->isDryFitted));
    }

    /** @return WrittenDay */
    private function written(DayProblem $problem, DayPlan $plan): array
    {
        $opened = $this->openAgainMin($problem, $plan);
        $closed = $this->closedFromMin($problem, $plan);
        $fill = max([$this->open === [] ? 0.0 : $plan->fillMin, ...$this->madeFillMin()]);
        $joints = array_map(
            fn (ClockedJoint $joint): float => $joint->times->handsOnMin() * min($this->people, $joint->times->people),
            $this->open,
        );

        return [
            'steps' => [...$this->dryFits(), ...$this->joins($problem, $plan)],
            'waits' => $this->waits($problem, $plan),
            'closed_from' => $closed === null ? null : $this->iso($closed),
            'open_again' => $opened === null ? null : $this->iso($opened),
            'hands_on_min' => array_sum($joints) + count($this->toDryFit()) * $this->dryFit->value,
            'earliest_test' => $this->joints === [] ? null : $this->iso($fill),
            'critical' => $this->critical($problem, $plan),
            'bound' => $this->joints === [] ? null : $this->iso(max([$plan->boundMin, ...$this->madeFillMin()])),
            'optimal' => $plan->isOptimal,
        ];
    }

    /** @return WrittenDay */
    private function empty(): array
    {
        return [
            'steps' => [],
            'waits' => [],
            'closed_from' => null,
            'open_again' => null,
            'hands_on_min' => 0.0,
            'earliest_test' => null,
            'critical' => [],
            'bound' => null,
            'optimal' => false,
        ];
    }

    /**
     * When somebody has nothing to join, because what comes next has to wait: time for something else. What comes after
     * the last joint is no wait.
     *
     * @return list<Wait> in their order
     */
    private function waits(DayProblem $problem, DayPlan $plan): array
    {
        $free = array_fill(1, $this->people, $this->dryFitMin());
        $waits = [];
        foreach ($plan->order as $i) {
            foreach ($plan->who[$i] as $one) {
                if ($plan->starts[$i] - $free[$one] >= self::LEAST_WAIT_MIN) {
                    $waits[] = [
                        'who' => $one,
                        'from' => $this->iso($free[$one]),
                        'until' => $this->iso($plan->starts[$i]),
                    ];
                }
                $free[$one] = $plan->starts[$i] + $problem->breaths[$i]->minutes;
            }
        }

        return $waits;
    }

    /** @return list<DayStep> each tries the next one */
    private function dryFits(): array
    {
        $steps = [];
        foreach ($this->toDryFit() as $n => $joint) {
            $from = intdiv($n, $this->people) * $this->dryFit->value;
            $steps[] = [
                'joint' => $joint->id,
                'what' => 'dry-fit',
                'who' => [1 + ($n % $this->people)],
                'from' => $this->iso($from),
                'until' => $this->iso($from + $this->dryFit->value),
                'push_by' => null,
                'hold_until' => null,
                'may_move' => null,
                'may_fill' => null,
            ];
        }

        return $steps;
    }

    /** @return list<DayStep> in the order in which they begin */
    private function joins(DayProblem $problem, DayPlan $plan): array
    {
        [$steps, $byId] = [[], $this->byId()];
        foreach ($plan->order as $i) {
            $breath = $problem->breaths[$i];
            $pushBy = $this->pushByMin($breath, $plan->starts[$i]);
            foreach ($breath->joints as $joint) {
                $times = $byId[$joint->id]->times;
                $until = $plan->starts[$i] + $breath->until;
                $steps[] = [
                    'joint' => $joint->id,
                    'what' => 'join',
                    'who' => $plan->who[$i],
                    'from' => $this->iso($plan->starts[$i] + $breath->from[$joint->id]),
                    'until' => $this->iso($until),
                    'push_by' => $times->workingS === null || $pushBy === null ? null : $this->iso($pushBy),
                    'hold_until' => $times->holdS > 0.0 ? $this->iso($until) : null,
                    'may_move' => $this->iso($until + $joint->setMin),
                    'may_fill' => $this->iso($until + $joint->fillMin),
                ];
            }
        }

        return $steps;
    }

    /**
     * By when all of a breath must be home: the cement takes from when the first of it is coated, and they are coated
     * right before they are pushed; null where none has cement.
     */
    private function pushByMin(Breath $breath, float $start): ?float
    {
        [$coatS, $workingS, $byId] = [0.0, INF, $this->byId()];
        foreach ($breath->joints as $joint) {
            $coatS += $byId[$joint->id]->times->coatS ?? 0.0;
            $workingS = min($workingS, $byId[$joint->id]->times->workingS ?? INF);
        }

        return is_finite($workingS)
            ? $start + $breath->until - $breath->holdMin + ($workingS - $coatS / $this->people) / 60
            : null;
    }

    /** @return list<CriticalStep> what decides when it can be tested, the first first */
    private function critical(DayProblem $problem, DayPlan $plan): array
    {
        return array_map(static function (array $link) use ($problem): array {
            $after = $link['after'] === null ? null : $problem->breaths[$link['after']]->joints;

            return [
                'joint' => $problem->breaths[$link['breath']]->joints[0]->id,
                'cause' => $link['cause']->value,
                'after' => $after === null ? null : $after[count($after) - 1]->id,
            ];
        }, (new CriticalChain($problem, $plan))->links());
    }

    /** When the first joint in the line of the house is begun; null where none is in it. */
    private function closedFromMin(DayProblem $problem, DayPlan $plan): ?float
    {
        $from = [];
        foreach ($problem->breaths as $i => $breath) {
            foreach ($breath->joints as $joint) {
                if ($joint->isInLine) {
                    $from[] = $plan->starts[$i] + $breath->from[$joint->id];
                }
            }
        }

        return $from === [] ? null : min($from);
    }

    /** When water may run in the line of the house again; null where no joint that is still to be made is in it. */
    private function openAgainMin(DayProblem $problem, DayPlan $plan): ?float
    {
        $open = [];
        foreach ($problem->breaths as $i => $breath) {
            foreach ($breath->joints as $joint) {
                if ($joint->isInLine) {
                    $open[] = $plan->starts[$i] + $breath->until + $joint->fillMin;
                }
            }
        }
        foreach ($open === [] ? [] : $this->joints as $joint) {
            if ($joint->isInLine && $joint->madeAt !== null) {
                $open[] = $this->minutes($joint->madeAt) + ($joint->times->fillMin ?? 0.0);
            }
        }

        return $open === [] ? null : max($open);
    }

    /** @return list<float> when those that are made may be filled */
    private function madeFillMin(): array
    {
        $fill = [];
        foreach ($this->joints as $joint) {
            if ($joint->madeAt !== null) {
                $fill[] = $this->minutes($joint->madeAt) + ($joint->times->fillMin ?? 0.0);
            }
        }

        return $fill;
    }

    /** @return list<Finding> */
    private function tooFewPeople(): array
    {
        $two = array_filter($this->open, fn (ClockedJoint $joint): bool => $joint->times->people > $this->people);

        return $two === []
            ? []
            : [
                new Finding(
                    RuleId::DayTwoPeople,
                    Severity::Stop,
                    new Where,
                    params: ['joints' => self::names($two), 'count' => count($two)],
                ),
            ];
    }

    /**
     * What is made in one breath is coated and pushed before the first of it takes.
     *
     * @param list<Breath> $breaths
     * @return list<Finding>
     */
    private function breathsTooLong(array $breaths): array
    {
        [$findings, $byId] = [[], $this->byId()];
        foreach ($breaths as $breath) {
            $coats = $working = [];
            foreach ($breath->joints as $joint) {
                $times = $byId[$joint->id]->times;
                if ($times->workingS !== null && $times->coatS !== null) {
                    $coats[] = $times->coatS;
                    $working[] = $times->workingS;
                }
            }
            [$wet, $least] = [array_sum($coats) / $this->people, min([INF, ...$working])];
            if (count($coats) > 1 && $wet > $least) {
                $params = [
                    'joints' => implode(', ', array_keys($breath->from)),
                    'wet_s' => round($wet),
                    'working_s' => $least,
                    'people' => $this->people,
                ];
                $findings[] = new Finding(RuleId::DayBreathTooLong, Severity::Stop, new Where, $wet, $least, $params);
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function closedTooShort(?float $openAgainMin): array
    {
        $until = $this->closedUntil === null ? null : $this->minutes($this->closedUntil);

        return $until === null || $openAgainMin === null || $openAgainMin <= $until
            ? []
            : [
                new Finding(RuleId::DayClosedTooShort, Severity::Stop, new Where, $openAgainMin, $until, [
                    'until' => $this->clock($until),
                    'open_again' => $this->clock($openAgainMin),
                ]),
            ];
    }

    /** @param array<int, ClockedJoint> $joints */
    private static function names(array $joints): string
    {
        return implode(', ', array_map(static fn (ClockedJoint $joint): string => $joint->id, $joints));
    }

    /** Gives minutes from the beginning. */
    private function minutes(DateTimeImmutable $time): float
    {
        return ($time->getTimestamp() - $this->start->getTimestamp()) / 60;
    }

    private function iso(float $minutes): string
    {
        return $this->at($minutes)->format(DateTimeInterface::ATOM);
    }

    private function clock(float $minutes): string
    {
        return $this->at($minutes)->format('H:i');
    }

    /** To the second, rounded up: nothing is let go of too soon. */
    private function at(float $minutes): DateTimeImmutable
    {
        return $this->start->setTimestamp($this->start->getTimestamp() + (int) ceil($minutes * 60 - 0.001));
    }
}
