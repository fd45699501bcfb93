<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Guide;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Guide\Coverage;
use FallBend\Core\Guide\RulePage;
use PHPUnit\Framework\TestCase;

final class CoverageTest extends TestCase
{
    /** What is said to be judged has a number of that book behind it, or is geometry. */
    public function testWhatIsJudgedHasANumberOfItsBook(): void
    {
        $topics = [];
        foreach (RulePage::all() as $page) {
            foreach ($page->rules as $rule) {
                $topics[$rule] = $page->topics;
            }
        }
        $catalogue = Catalogue::shipped();
        $hollow = [];
        foreach ($catalogue->rulebookKeys() as $key) {
            $book = $catalogue->rulebook($key);
            $rows = Coverage::of($key);
            self::assertGreaterThan(30, count($rows), $key);
            foreach ($rows as $row) {
                self::assertSame($row['state'] === 'not-judged', $row['rules'] === [], "{$key} {$row['clause']}");
                foreach ($row['state'] === 'judged' ? $row['rules'] : [] as $rule) {
                    $of = $topics[$rule] ?? [];
                    $has = array_filter($of, static fn (string $topic): bool => $book->topic($topic) !== []);
                    if ($of !== [] && $has === []) {
                        $hollow[] = "{$key}: {$row['clause']}, {$row['what']}: {$rule}";
                    }
                }
            }
        }
        self::assertSame([], $hollow);
    }

    /** The ways of venting that a book leaves open are not said to be judged. */
    public function testWhatABookLeavesOpenIsNoted(): void
    {
        foreach (['upc-2021' => 'venting.combination', 'npc-2020' => 'venting.island'] as $key => $row) {
            $states = array_column(Coverage::of($key), 'state', 'what');
            self::assertNull(Catalogue::shipped()->rulebook($key)->threshold($row)?->value);
            $what = $row === 'venting.island' ? 'island fixtures' : 'combination drain and vent';
            self::assertSame('noted', $states[$what], $key);
        }
    }
}
