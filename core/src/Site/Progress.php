<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

/** How far the work on site is, as the log has it. */
final readonly class Progress
{
    /** Kinds of entries that it is made of, beside what takes them back. */
    public const KINDS = [
        EntryKind::Joint,
        EntryKind::Seen,
        EntryKind::Trouble,
        EntryKind::CutOut,
        EntryKind::Walk,
        EntryKind::TestBegun,
        EntryKind::Signed,
        EntryKind::TakenBack,
    ];

    /**
     * @param array<string, list<int>> $made numbers of the joints that are made and in no trouble, by run
     * @param bool $testBegun whether a test was begun since a joint was made or changed last
     * @param bool $signed whether somebody signed since
     */
    public function __construct(
        public array $made = [],
        public bool $testBegun = false,
        public bool $signed = false,
    ) {}

    /** Takes a log with entries of the kinds above at least; gives how far the work is. */
    public static function of(SiteLog $log): self
    {
        $made = [];
        $changed = 0;
        foreach ($log->runs() as $run) {
            foreach ($log->joints($run) as $number => $joint) {
                $changed = max($changed, $joint->changed);
                if ($joint->isGood()) {
                    $made[$run][] = $number;
                }
            }
        }
        $since = static function (EntryKind $kind) use ($log, $changed): bool {
            $entries = $log->of($kind);

            return $entries !== [] && $entries[count($entries) - 1]->number > $changed;
        };

        return new self($made, $since(EntryKind::TestBegun), $since(EntryKind::Signed));
    }
}
