<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

/** Reads files of cases: rows of book, small network, and what is expected of it. */
final class CaseRows
{
    /**
     * @param string $file beside this one
     * @return iterable<string, array{array<string, mixed>}> by number, book, clause and name
     */
    public static function of(string $file): iterable
    {
        /** @var array{cases: list<array<string, mixed>>} $read */
        $read = json_decode((string) file_get_contents(__DIR__."/{$file}"), true, 64, JSON_THROW_ON_ERROR);
        foreach ($read['cases'] as $n => $case) {
            yield "{$n}: {$case['book']}, {$case['clause']}: {$case['name']}" => [$case];
        }
    }
}
