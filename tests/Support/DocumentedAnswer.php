<?php

declare(strict_types=1);

namespace Tests\Support;

use FallBend\Core\Measure\Tape;
use FallBend\Core\Verdict\Severity;
use stdClass;

/**
 * A class that documents an answer, for the test of the reader of such.
 *
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type Whole array{
 *     name: string,
 *     number: ?int,
 *     length: Reading|null,
 *     many: list<Part>,
 *     by_name: array<string, float>|stdClass,
 *     params: stdClass,
 *     severity: value-of<Severity>,
 *     kind: value-of<self::KINDS>|null,
 *     way: 'up'|'down',
 *     either: int|string,
 *     left_out?: bool,
 * }
 * @phpstan-type Part array{key: string}
 * @phpstan-type Unheard callable(int): string
 */
final class DocumentedAnswer
{
    public const KINDS = ['one', 'two'];
}
