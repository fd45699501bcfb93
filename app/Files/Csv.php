<?php

declare(strict_types=1);

namespace App\Files;

use Symfony\Component\Serializer\Encoder\CsvEncoder;

/**
 * Tables as CSV: RFC 4180, UTF-8, units in the headers. A cell that a spreadsheet would take for a formula is defused
 * with a quote before it.
 */
final class Csv
{
    /**
     * @param list<string> $header
     * @param list<list<string|int|float|null>> $rows
     */
    public static function write(array $header, array $rows): string
    {
        $encoder = new CsvEncoder([
            CsvEncoder::END_OF_LINE => "\r\n",
            CsvEncoder::NO_HEADERS_KEY => true,
            CsvEncoder::ESCAPE_CHAR_KEY => '',
        ]);

        return $encoder->encode(
            [$header, ...array_map(static fn (array $row): array => array_map(self::defused(...), $row), $rows)],
            CsvEncoder::FORMAT,
        );
    }

    /**
     * The encoder would defuse every negative number too: a number is none that somebody could have written a formula
     * into. Spaces
     * of any kind, and what cannot be seen, do not keep a spreadsheet from taking what follows for a formula.
     */
    private static function defused(string|int|float|null $cell): string|int|float|null
    {
        return is_string($cell) && preg_match('/^(?:[\s\p{Z}\p{C}]*[=+\-@＝＋－＠]|[\t\r\n])/u', $cell) === 1
            ? "'{$cell}"
            : $cell;
    }
}
