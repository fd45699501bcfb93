<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A code of squares that a camera reads, as the device that made it says it: rows of 0 and 1. */
final readonly class QrSquares
{
    /** @param list<string> $rows */
    private function __construct(public array $rows) {}

    /**
     * Reads `squares`: as many rows as columns, 21 to 177 in steps of four, by ISO/IEC 18004.
     *
     * @throws BadInput
     */
    public static function read(Fields $fields): self
    {
        $rows = $fields->strings('squares', 177);
        $count = count($rows);
        $isCode = $count >= 21 && $count <= 177 && ($count - 21) % 4 === 0;
        foreach ($rows as $row) {
            $isCode = $isCode && strlen($row) === $count && strspn($row, '01') === $count;
        }

        return $isCode ? new self($rows) : throw BadInput::at($fields->at('squares'), 'are no code of squares', null);
    }
}
