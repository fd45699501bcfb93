<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Reckon\JointReckoner;
use PHPUnit\Framework\Assert;

/**
 * Pairs of ends as they occur in practice, with the way and the part that somebody who knows the trade would name
 * first.
 *
 * @phpstan-type Row array{
 *     why: string,
 *     a: string,
 *     b: string,
 *     book: string,
 *     ground: string,
 *     method: ?string,
 *     part: string,
 *     among?: bool,
 *     variant?: string,
 *     water?: string,
 *     steps?: list<string>,
 * }
 */
final class JointCase
{
    private static ?JointReckoner $reckoner = null;

    /** @param Row $case */
    public static function check(array $case): void
    {
        foreach ([['a', 'b'], ['b', 'a']] as [$a, $b]) {
            $methods = self::methods($case, $case[$a], $case[$b]);
            if ($case['method'] === null) {
                Assert::assertSame([], array_column($methods, 'method'), $case['why']);

                continue;
            }
            $wanted = ($case['among'] ?? false)
                ? current(array_filter($methods, static fn (array $one): bool => $one['method'] === $case['method']))
                : $methods[0] ?? false;
            Assert::assertIsArray($wanted, $case['why']);
            Assert::assertSame($case['method'], $wanted['method'], $case['why']);
            $rows = array_column($wanted['parts'], 'row');
            $named = array_filter($rows, static fn (string $row): bool => self::is($row, $case['part']));
            Assert::assertTrue(
                $case['part'] === '' || $named !== [],
                "{$case['part']} is not among ".implode(', ', $rows).": {$case['why']}",
            );
            Assert::assertSame($case['variant'] ?? $wanted['variant'], $wanted['variant'], $case['why']);
            Assert::assertSame($case['water'] ?? $wanted['times']['first_water'], $wanted['times']['first_water']);
            foreach ($case['steps'] ?? [] as $step) {
                Assert::assertContains($step, array_column($wanted['steps'], 'id'), $case['why']);
            }
            Assert::assertGreaterThanOrEqual(3, count($wanted['steps']), 'it says how it is done');
        }
    }

    /** A part is named whole, or by how its id begins where that ends in a slash. */
    private static function is(string $row, string $part): bool
    {
        return str_ends_with($part, '/') ? str_starts_with($row, $part) : $row === $part;
    }

    /**
     * @param Row $case
     * @return list<array<string, mixed>>
     */
    private static function methods(array $case, string $a, string $b): array
    {
        $end = static fn (string $said): array => array_combine(['system', 'size', 'end'], explode(' ', $said));
        self::$reckoner ??= new JointReckoner(Catalogue::shipped());
        $input = ['a' => $end($a), 'b' => $end($b), 'rulebook' => $case['book'], 'ground' => $case['ground']];

        return self::$reckoner->reckon(Fields::of($input), Effort::unlimited())['methods'];
    }
}
