<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use DateTimeImmutable;
use DateTimeZone;

/** What happened on site, as it stands: what was taken back is left out. */
final readonly class SiteLog
{
    /** @var list<Entry> in the order in which they arrived */
    public array $entries;

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
    }

    /** The same log, with its time in a zone: times are said in that. */
    public function in(DateTimeZone $zone): self
    {
        return new self($this->all, $this->now->setTimezone($zone));
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

    /** @return list<Entry> of some kinds */
    public function of(EntryKind ...$kinds): array
    {
        return array_values(
            array_filter($this->entries, static fn (Entry $entry): bool => in_array($entry->kind, $kinds, true)),
        );
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
        foreach ($this->entries as $entry) {
            $joint = $entry->content['joint'] ?? null;
            if ($joint !== null && ($entry->content['run'] ?? null) === $run) {
                $joints[$joint] = ($joints[$joint] ?? new JointStanding)->after($entry);
            }
        }

        return $joints;
    }
}
