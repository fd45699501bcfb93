<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use FallBend\Core\Job\OnSite;

/**
 * Entries for what stood in the document of a job up to version 3. Each has a key that is made of what it says, so that
 * the same document says it once, however often it is read.
 *
 * @phpstan-import-type Content from EntryFile
 *
 * @phpstan-type Moved array{key: string, kind: EntryKind, content: Content}
 */
final class MovedIntoLog
{
    /** @return list<Moved> */
    public static function entries(OnSite $site): array
    {
        $entries = [];
        foreach ($site->printed as $run => $ticket) {
            $entries[] = self::entry(EntryKind::Printed, [
                'run' => $run,
                'on' => $ticket->on,
                'pieces' => array_map(static fn (array $piece): float => $piece['length_mm'], $ticket->pieces),
                'letters' => array_map(static fn (array $piece): string => $piece['letter'], $ticket->pieces),
            ]);
        }
        foreach ($site->cut as $run => $pieces) {
            foreach ($pieces as $piece => $length) {
                $entries[] = self::entry(EntryKind::Cut, ['run' => $run, 'piece' => $piece, 'length_mm' => $length]);
            }
        }
        foreach ($site->levels as $run => $levels) {
            foreach ($levels as $level) {
                $entries[] = self::entry(EntryKind::Level, ['run' => $run] + $level);
            }
        }
        foreach ($site->measured as $standing => $evidence) {
            $entries[] = self::entry(EntryKind::Measured, ['standing' => $standing, 'evidence' => $evidence]);
        }

        return $entries;
    }

    /**
     * @param Content $content
     * @return Moved
     */
    private static function entry(EntryKind $kind, array $content): array
    {
        $hash = hash('sha256', $kind->value.json_encode($content, JSON_THROW_ON_ERROR));

        return ['key' => 'moved-'.substr($hash, 0, 40), 'kind' => $kind, 'content' => $content];
    }
}
