<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use FallBend\Core\Verdict\RuleId;

/**
 * Which clauses of a book on drains and vents are judged here, which are only noted, and which are not judged: what is
 * silent says nothing. From `core/data/coverage.json`, as far as the books are known.
 *
 * @phpstan-type CoverageRow array{
 *     clause: string,
 *     what: string,
 *     state: value-of<self::STATES>,
 *     rules: list<value-of<RuleId>>,
 *     confidence: 'high'|'medium'|'low',
 *     note: string,
 * }
 */
final class Coverage
{
    public const STATES = ['judged', 'noted', 'not-judged'];

    private const WORDS = ['judged' => 'judged', 'noted' => 'noted', 'not-judged' => '**not judged**'];

    /**
     * Gives the clauses of a book, in the order of the file.
     *
     * @return list<CoverageRow>
     *
     * @throws BadInput if the file is damaged
     */
    public static function of(string $book): array
    {
        $rows = [];
        foreach (Fields::of(DataFile::read('coverage.json'))->children('rows') as $row) {
            if ($row->string('book') === $book) {
                $rows[] = [
                    'clause' => $row->string('clause'),
                    'what' => $row->string('what'),
                    'state' => $row->choice('state', self::STATES),
                    'rules' => array_map(
                        static fn (string $rule): string => RuleId::from($rule)->value,
                        $row->has('rules') ? $row->strings('rules') : [],
                    ),
                    'confidence' => $row->choice('confidence', ['high', 'medium', 'low']),
                    'note' => $row->stringOr('note', '', 400),
                ];
            }
        }

        return $rows;
    }

    /**
     * Writes the page of all books.
     *
     * @param list<Rulebook> $books
     */
    public static function page(array $books): string
    {
        $text =
            "# What is judged of each book\n\n".
            "Written by `php artisan rules:pages` from `core/data/coverage.json`. Do not edit here.\n\n".
            "The clauses on drains and vents that are known here, from memory: one of medium confidence may stand\n".
            "under another number. What is not judged is passed in silence: read the clause.\n";
        foreach ($books as $book) {
            $rows = self::of($book->id);
            $counts = array_count_values(array_column($rows, 'state'));
            $text .=
                "\n## {$book->name}\n\n".
                ($counts['judged'] ?? 0).' judged, '.
                ($counts['noted'] ?? 0).' noted, '.
                ($counts['not-judged'] ?? 0)." not judged.\n\n".
                "| clause | what it is about | here | by | confidence |\n|---|---|---|---|---|\n";
            foreach ($rows as $row) {
                $by = implode(', ', array_map(static fn (string $rule): string => "`{$rule}`", $row['rules']));
                $what = $row['what'].($row['note'] === '' ? '' : ". {$row['note']}");
                $text .=
                    "| {$row['clause']} | {$what} | ".self::WORDS[$row['state']].
                    ' | '.($by === '' ? '–' : $by)." | {$row['confidence']} |\n";
            }
        }

        return $text;
    }
}
