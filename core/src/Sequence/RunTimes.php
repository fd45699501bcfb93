<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;
use DateTimeInterface;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Joining\Method;
use FallBend\Core\Layout\EndJoint;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\RunLayout;

/**
 * How the joints of a run are made, and how long each takes; whether or not the run goes together.
 *
 * @phpstan-type MadeJoint array{joint: string, at: string, may_move: ?string, may_fill: ?string}
 */
final readonly class RunTimes
{
    public function __construct(private RunLayout $layout, private SiteTimetable $table) {}

    /** Gives how a joint is made: as it was chosen, or the best way; null where it is not settled. */
    public function method(Joint $joint): ?Method
    {
        $end = $this->end($joint);
        if ($end !== null) {
            return $end->offer?->method;
        }

        return $this->layout->system->ownJoint === null ? null : Method::from($this->layout->system->ownJoint);
    }

    /** Gives its times; null where it has no method yet. */
    public function times(Joint $joint): ?SiteTimes
    {
        $method = $this->method($joint);

        return $method === null
            ? null
            : $this->table->times(
                $method,
                $this->layout->system,
                $joint->size,
                $this->end($joint)?->theirs?->system,
            );
    }

    /** Whether the line of the house stands open until it is made. */
    public function isInLine(Joint $joint): bool
    {
        return $this->end($joint)?->end->kind === RunEndKind::Standing;
    }

    /** @return list<Joint> that have no method yet */
    public function unsettled(): array
    {
        return array_values(
            array_filter($this->layout->joints, fn (Joint $joint): bool => $this->method($joint) === null),
        );
    }

    /**
     * Gives the joints that are made, with their clocks. One without a method any more has none that are known.
     *
     * @param array<array-key, DateTimeImmutable> $made when each was let go of, by its number
     * @param DateTimeImmutable $like a time in the zone in which they are said
     * @return list<MadeJoint> in the order of flow
     */
    public function clocks(array $made, DateTimeImmutable $like): array
    {
        $clocks = [];
        foreach ($this->layout->joints as $joint) {
            $at = $made[$joint->number] ?? null;
            if ($at !== null) {
                $clocks[] = self::made((string) $joint->number, $at, $this->times($joint), $like);
            }
        }

        return $clocks;
    }

    /**
     * Gives the clocks of a joint that is made.
     *
     * @param ?SiteTimes $times null: not known
     * @param DateTimeImmutable $like a time in the zone in which they are said
     * @return MadeJoint
     */
    public static function made(
        string $joint,
        DateTimeImmutable $at,
        ?SiteTimes $times,
        DateTimeImmutable $like,
    ): array {
        $after = static fn (?float $minutes): ?string => $minutes === null
            ? null
            : self::after($at, $minutes)->setTimezone($like->getTimezone())->format(DateTimeInterface::ATOM);

        return [
            'joint' => $joint,
            'at' => (string) $after(0.0),
            'may_move' => $after($times?->setMin),
            'may_fill' => $after($times?->fillMin),
        ];
    }

    /** Gives when so many minutes are over, to the second that is begun. */
    public static function after(DateTimeImmutable $at, float $minutes): DateTimeImmutable
    {
        return $at->setTimestamp($at->getTimestamp() + (int) ceil($minutes * 60));
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
