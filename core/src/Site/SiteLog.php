<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use FallBend\Core\Job\OnSite;
use FallBend\Core\Job\PrintedTicket;

/**
 * What happened on site, as it stands: what was taken back is left out.
 *
 * @phpstan-import-type Content from EntryFile
 * @phpstan-import-type LevelReading from OnSite
 */
final readonly class SiteLog
{
    /** Two places of a hanger on its leg that are nearer are one. */
    private const SAME_MM = 0.5;

    /** @var list<Entry> in the order in which they arrived */
    public array $entries;

    /** @var array<string, list<Entry>> those of joints, by run */
    private array $byRun;

    /** @var array<string, list<Entry>> by kind */
    private array $byKind;

    /**
     * @param list<Entry> $all of the log, in their order
     * @param DateTimeImmutable $now what is not said yet has not happened by then
     */
    public function __construct(private array $all, public DateTimeImmutable $now)
    {
        $takenBack = [];
        foreach ($all as $entry) {
            if ($entry->kind === EntryKind::TakenBack) {
                $takenBack[$entry->content['entry'] ?? 0] = true;
            }
        }
        $this->entries = array_values(
            array_filter(
                $all,
                static fn (Entry $entry): bool => $entry->kind !== EntryKind::TakenBack &&
                    ! isset($takenBack[$entry->number]),
            ),
        );
        [$byRun, $byKind] = [[], []];
        foreach ($this->entries as $entry) {
            $byKind[$entry->kind->value][] = $entry;
            if (isset($entry->content['run'], $entry->content['joint'])) {
                $byRun[$entry->content['run']][] = $entry;
            }
        }
        [$this->byRun, $this->byKind] = [$byRun, $byKind];
    }

    /** The same log, with its time in a zone: times are said in that. */
    public function in(DateTimeZone $zone): self
    {
        return new self($this->all, $this->now->setTimezone($zone));
    }

    /** Gives a time as it is said, in the zone of the log: ISO 8601. */
    public function said(DateTimeImmutable $at): string
    {
        return $at->setTimezone($this->now->getTimezone())->format(DateTimeInterface::ATOM);
    }

    /** Gives the last entry, whatever it says; null: there is none. */
    public function last(): ?Entry
    {
        return $this->all === [] ? null : $this->all[count($this->all) - 1];
    }

    /** Gives the number of the last entry that is no signature; 0: there is none. */
    public function lastBeforeSigning(): int
    {
        $number = 0;
        foreach ($this->all as $entry) {
            $number = $entry->kind === EntryKind::Signed ? $number : $entry->number;
        }

        return $number;
    }

    /** @return list<Entry> of some kinds, in the order in which they arrived */
    public function of(EntryKind ...$kinds): array
    {
        $of = array_map(fn (EntryKind $kind): array => $this->byKind[$kind->value] ?? [], array_values($kinds));
        if (count($of) === 1) {
            return $of[0];
        }
        $entries = array_merge(...$of);
        usort($entries, static fn (Entry $a, Entry $b): int => $a->number <=> $b->number);

        return $entries;
    }

    /** @return array<int, list<Entry>> entries of a kind that speak of joints of a run, by number of the joint */
    public function ofJoints(string $run, EntryKind $kind): array
    {
        $of = [];
        foreach ($this->byRun[$run] ?? [] as $entry) {
            if ($entry->kind === $kind) {
                $of[$entry->content['joint'] ?? 0][] = $entry;
            }
        }

        return $of;
    }

    /** Gives what the plan is held against, as the last that was said of each has it. */
    public function onSite(): OnSite
    {
        [$printed, $levels, $measured] = [[], [], []];
        foreach ($this->of(EntryKind::Printed) as $entry) {
            $ticket = self::ticket($entry->content);
            $printed[$ticket->run] = $ticket;
        }
        foreach ($this->of(EntryKind::Level) as $entry) {
            $run = $entry->content['run'] ?? '';
            $levels[$run] = self::levels($levels[$run] ?? [], $entry->content);
        }
        foreach ($this->of(EntryKind::Measured) as $entry) {
            $measured[$entry->content['standing'] ?? ''] = $entry->content['evidence'] ?? [];
        }
        $isSomething = static fn (array $said): bool => $said !== [];

        return new OnSite(
            $this->cut(),
            $printed,
            array_filter($levels, $isSomething),
            array_filter($measured, $isSomething),
        );
    }

    /** @return array<string, array<string, float>> lengths by run and key of the piece */
    private function cut(): array
    {
        $last = [];
        foreach ($this->of(EntryKind::Cut) as $entry) {
            $last[$entry->content['run'] ?? ''][$entry->content['piece'] ?? ''] = $entry->content['length_mm'] ?? null;
        }
        $cut = [];
        foreach ($last as $run => $pieces) {
            $cut[$run] = array_filter($pieces, static fn (?float $length): bool => $length !== null);
        }

        return array_filter($cut, static fn (array $pieces): bool => $pieces !== []);
    }

    /** @param Content $said */
    private static function ticket(array $said): PrintedTicket
    {
        $pieces = [];
        foreach ($said['pieces'] ?? [] as $piece => $length) {
            $pieces[$piece] = ['letter' => $said['letters'][$piece] ?? '', 'length_mm' => $length];
        }

        return new PrintedTicket($said['run'] ?? '', $said['on'] ?? '', $pieces);
    }

    /**
     * @param list<LevelReading> $levels of a run
     * @param Content $said
     * @return list<LevelReading> with what is said in place of what stood at the same hanger
     */
    private static function levels(array $levels, array $said): array
    {
        [$leg, $at] = [$said['leg'] ?? '', $said['at_mm'] ?? 0.0];
        $others = array_filter(
            $levels,
            static fn (array $one): bool => $one['leg'] !== $leg || abs($one['at_mm'] - $at) >= self::SAME_MM,
        );
        $one = isset($said['below_mm'])
            ? [['leg' => $leg, 'at_mm' => $at, 'below_mm' => $said['below_mm']]]
            : [];

        return [...array_values($others), ...$one];
    }

    /** @return list<string> ids of runs that something is said of joints of */
    public function runs(): array
    {
        return array_map(strval(...), array_keys($this->byRun));
    }

    /** Gives how a joint of a run stands. */
    public function joint(string $run, int $joint): JointStanding
    {
        return $this->joints($run)[$joint] ?? new JointStanding;
    }

    /** @return array<int, JointStanding> the joints of a run that something is said of, by number */
    public function joints(string $run): array
    {
        $joints = [];
        foreach ($this->byRun[$run] ?? [] as $entry) {
            $joint = $entry->content['joint'] ?? 0;
            $joints[$joint] = ($joints[$joint] ?? new JointStanding)->after($entry);
        }

        return $joints;
    }
}
