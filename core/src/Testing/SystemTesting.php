<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * How far the testing of a system is: its joints, what was looked at, its tests, and what keeps it from the next step.
 *
 * @phpstan-import-type WrittenTestJoint from TestJoint
 */
final readonly class SystemTesting
{
    /** @param list<TestJoint> $joints in the order of flow, run by run */
    public function __construct(
        private array $joints,
        private SystemTests $tests,
        private DateTimeImmutable $now,
    ) {}

    /**
     * @param list<string> $checks keys of what is looked at
     */
    public function state(array $checks): SystemState
    {
        $last = $this->tests->last();
        $isRunning = in_array($last, [CurveState::Begun, CurveState::Holding, CurveState::ReadNow], true);

        return match (true) {
            $this->of('wrong') !== [] || ($last === CurveState::Failed && $this->since() === []) => SystemState::Failed,
            $isRunning => SystemState::Running,
            $this->of('open') !== [] => SystemState::NotMade,
            $last === CurveState::Passed && $this->since() !== [] => SystemState::Reopened,
            $last === CurveState::Passed => $this->isLookedAt($checks) ? SystemState::Done : SystemState::Passed,
            $this->of('cures') !== [] || $this->of('not-known') !== [] => SystemState::Waits,
            default => SystemState::Ready,
        };
    }

    /** Gives when the last joint may be filled; null: not known, or all may. */
    public function readyAt(): ?string
    {
        $curing = array_map(static fn (TestJoint $joint): ?DateTimeImmutable => $joint->mayFill, $this->of('cures'));

        return $curing === [] ? null : max($curing)?->format(DateTimeInterface::ATOM);
    }

    /** @return list<WrittenTestJoint> */
    public function joints(): array
    {
        return array_map(fn (TestJoint $joint): array => $joint->written($this->now), $this->joints);
    }

    /**
     * @param array<string, string> $names of the runs, by id
     * @return list<Finding> what keeps it from being tested
     */
    public function findings(array $names): array
    {
        return [
            ...$this->finding(RuleId::TestInTrouble, Severity::Stop, $this->of('wrong'), $names),
            ...$this->finding(RuleId::TestNotMade, Severity::Unknown, $this->of('open'), $names),
            ...$this->curing($names),
            ...$this->finding(RuleId::TestCureNotKnown, Severity::Unknown, $this->of('not-known'), $names),
            ...$this->tests->last() === CurveState::Passed
                ? $this->finding(RuleId::TestReopened, Severity::Stop, $this->since(), $names)
                : [],
        ];
    }

    /** @return list<TestJoint> in a state */
    private function of(string $state): array
    {
        return array_values(
            array_filter($this->joints, fn (TestJoint $joint): bool => $joint->state($this->now) === $state),
        );
    }

    /** @return list<TestJoint> that were made, opened or found wrong since the last test was begun */
    private function since(): array
    {
        $begun = $this->tests->lastNumber();

        return array_values(
            array_filter(
                $this->joints,
                static fn (TestJoint $joint): bool => $joint->standing->changed > $begun,
            ),
        );
    }

    /** @param list<string> $checks */
    private function isLookedAt(array $checks): bool
    {
        $said = $this->tests->checks();
        foreach ($checks as $key) {
            if (! (($said[$key] ?? null)?->content['ok'] ?? false)) {
                return false;
            }
        }
        foreach ($this->joints as $joint) {
            if ($joint->isDry() !== true) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<string, string> $names
     * @return list<Finding> the last that cures, in whose time the others cure too
     */
    private function curing(array $names): array
    {
        $joints = $this->of('cures');
        usort($joints, static fn (TestJoint $a, TestJoint $b): int => $b->mayFill <=> $a->mayFill);
        $last = $joints[0] ?? null;

        return $last === null
            ? []
            : [
                new Finding(
                    RuleId::TestNotCured,
                    Severity::Stop,
                    new Where(joint: $last->number, run: $last->run),
                    params: [
                        'joints' => $last->mark,
                        'run' => $names[$last->run] ?? $last->run,
                        'until' => $last->mayFill?->setTimezone($this->now->getTimezone())->format('H:i, Y-m-d') ?? '',
                    ],
                ),
            ];
    }

    /**
     * @param list<TestJoint> $joints
     * @param array<string, string> $names
     * @return list<Finding>
     */
    private function finding(RuleId $rule, Severity $severity, array $joints, array $names): array
    {
        if ($joints === []) {
            return [];
        }
        $first = $joints[0];

        return [
            new Finding(
                $rule,
                $severity,
                new Where(joint: $first->number, run: $first->run),
                params: [
                    'joints' => self::listed($joints, $names),
                    'joint' => $first->mark,
                    'run' => $names[$first->run] ?? $first->run,
                    'count' => count($joints),
                ],
            ),
        ];
    }

    /**
     * Says which joints: their numbers, or how many of each run.
     *
     * @param list<TestJoint> $joints
     * @param array<string, string> $names
     */
    private static function listed(array $joints, array $names): string
    {
        $numbers = [];
        foreach ($joints as $joint) {
            $numbers[$joint->run][] = $joint->mark;
        }
        if (count($numbers) === 1) {
            return implode(', ', array_merge(...array_values($numbers)));
        }
        $parts = [];
        foreach ($numbers as $run => $of) {
            $parts[] = count($of).' of '.($names[$run] ?? $run);
        }

        return implode('; ', $parts);
    }
}
