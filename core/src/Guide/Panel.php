<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One half of the picture of a rule: what is wrong, or how it is right. Strokes are words and points on a field of 220
 * by 130.
 */
final readonly class Panel
{
    /** @param list<string> $strokes see PagePicture */
    private function __construct(public string $said, public array $strokes) {}

    /** @throws BadInput */
    public static function read(Fields $row): self
    {
        return new self($row->string('said'), $row->strings('strokes'));
    }
}
