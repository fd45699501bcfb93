<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use FallBend\Core\Joining\TroubleKind;

/** How a joint stands by what is said of it on site. */
final readonly class JointStanding
{
    /**
     * @param ?Entry $dry by which it was tried dry and marked
     * @param ?Entry $made by which it was made; null: it is to be made, for the first time or again
     * @param ?Entry $seen the last that was seen of it since
     * @param ?Entry $trouble what is wrong with it; null: nothing that anybody said
     * @param ?Entry $walk how it was found when it was last looked at under test
     * @param list<Entry> $cutOut each time that it was opened or cut out
     * @param int $changed number of the last entry that made it another joint, or a doubtful one; 0: none
     */
    public function __construct(
        public ?Entry $dry = null,
        public ?Entry $made = null,
        public ?Entry $seen = null,
        public ?Entry $trouble = null,
        public ?Entry $walk = null,
        public array $cutOut = [],
        public int $changed = 0,
    ) {}

    /** Whether it is made, and nobody said that something is wrong with it. */
    public function isGood(): bool
    {
        return $this->made !== null && $this->trouble === null;
    }

    /** Gives how it stands once this is said of it too. */
    public function after(Entry $entry): self
    {
        $changed = $entry->number;

        return match ($entry->kind) {
            EntryKind::DryFit => $this->made === null
                ? new self(dry: $entry, cutOut: $this->cutOut, changed: $this->changed)
                : $this,
            EntryKind::Joint => new self($this->dry, $entry, cutOut: $this->cutOut, changed: $changed),
            EntryKind::Seen => $this->seen($entry),
            EntryKind::Trouble => $this->wrong($entry, $this->walk),
            EntryKind::CutOut => new self(cutOut: [...$this->cutOut, $entry], changed: $changed),
            // What is found wet is in trouble, whatever was seen before; what is found dry later was not mended by it.
            EntryKind::Walk => ($entry->content['dry'] ?? false)
                ? new self(
                    $this->dry,
                    $this->made,
                    $this->seen,
                    $this->trouble,
                    $entry,
                    $this->cutOut,
                    $this->changed,
                )
                : $this->wrong($entry, $entry),
            default => $this,
        };
    }

    /** What is not as it should be is trouble. */
    private function seen(Entry $entry): self
    {
        foreach (EntryFile::MARKS as $mark) {
            if (($entry->content[$mark] ?? true) === false) {
                return $this->wrong($entry, $this->walk, $entry);
            }
        }

        return new self(
            $this->dry,
            $this->made,
            $entry,
            $this->trouble,
            $this->walk,
            $this->cutOut,
            $this->changed,
        );
    }

    private function wrong(Entry $entry, ?Entry $walk, ?Entry $seen = null): self
    {
        return new self(
            $this->dry,
            $this->made,
            $seen ?? $this->seen,
            $entry,
            $walk,
            $this->cutOut,
            $entry->number,
        );
    }

    /** What is wrong with it, as far as it was said; null: nothing. */
    public function trouble(): ?TroubleKind
    {
        $content = $this->trouble->content ?? null;

        return match (true) {
            $content === null => null,
            isset($content['what']) => TroubleKind::from($content['what']),
            isset($content['dry']) => TroubleKind::Leaks,
            ($content['depth'] ?? true) === false => TroubleKind::NotHome,
            ($content['angle'] ?? true) === false => TroubleKind::WrongWay,
            default => TroubleKind::Leaks,
        };
    }
}
