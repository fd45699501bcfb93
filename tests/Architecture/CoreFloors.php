<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * The floors of the core, from the ground up: a folder knows those before it, and none after it. Asked for by the
 * static
 * analysis of the core (phpstan.neon). A class that has to climb stands in the wrong folder.
 */
final class CoreFloors
{
    /** Every folder of core/src; what is new takes its place here. */
    public const FLOORS = [
        'Measure',
        'Geometry',
        'Effort',
        'Input',
        'Catalog',
        'Verdict',
        'Identify',
        'Joining',
        'Job',
        'Site',
        'CallOut',
        'Layout',
        'Flow',
        'Network',
        'Venting',
        'Rules',
        'MakeUp',
        'Hanging',
        'Cutting',
        'Buying',
        'Sequence',
        'Testing',
        'Recording',
        'Evaluation',
        'Report',
        'Reckon',
        'Drawing',
        'Guide',
        'Starts',
    ];

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function importsOnlyGoDown(): iterable
    {
        foreach (self::FLOORS as $n => $floor) {
            $above = array_map(self::folder(...), array_slice(self::FLOORS, $n + 1));
            if ($above !== []) {
                yield $floor => PHPat::rule()
                    ->classes(self::folder($floor))
                    ->shouldNot()
                    ->dependOn()
                    ->classes(...$above)
                    ->because("{$floor} stands below it");
            }
        }
    }

    private static function folder(string $floor): SelectorInterface
    {
        return Selector::inNamespace("FallBend\\Core\\{$floor}");
    }
}
