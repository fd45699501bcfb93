<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Reckon\IdentifyReckoner;
use PHPUnit\Framework\Assert;

/**
 * Pipes as they stand: what must not be guessed, what a magnet or a wall takes out, and where work stops.
 *
 * @phpstan-type Row array{
 *     why: string,
 *     evidence: array<string, mixed>,
 *     may: list<string>,
 *     stop: ?bool,
 *     first?: string,
 *     first_not?: string,
 *     out?: array<string, string>,
 *     most?: float,
 * }
 */
final class IdentifyCase
{
    /** @param Row $case */
    public static function check(array $case): void
    {
        $answer = (new IdentifyReckoner(Catalogue::shipped()))
            ->reckon(Fields::of($case['evidence']), Effort::unlimited());
        $none = $answer['none'];
        Assert::assertSame([], array_diff($case['may'], array_column($none['may_be'], 'id')), $case['why']);
        if ($case['stop'] !== null) {
            Assert::assertSame($case['stop'], $none['stop'] !== null, $case['why']);
        }
        if ($none['stop'] !== null) {
            Assert::assertStringStartsWith('Stop before you cut', $none['stop']);
        }
        $first = $answer['candidates'][0]['system'] ?? '';
        Assert::assertSame($case['first'] ?? $first, $first, $case['why']);
        if (isset($case['first_not'])) {
            Assert::assertFalse(str_starts_with($first, $case['first_not']), $case['why']);
        }
        foreach ($case['out'] ?? [] as $system => $why) {
            $out = array_column($answer['excluded'], 'out', 'system');
            Assert::assertSame($why, $out[$system] ?? null, $case['why']);
        }
        $best = $answer['candidates'][0]['likelihood'] ?? 0.0;
        Assert::assertLessThan($case['most'] ?? 1.0, $best, 'nothing is certain');
    }
}
