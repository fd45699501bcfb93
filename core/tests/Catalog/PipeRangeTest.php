<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeRange;
use FallBend\Core\Input\BadInput;
use PHPUnit\Framework\TestCase;

/** Which pipes go into one side of a part. */
final class PipeRangeTest extends TestCase
{
    public function testItTakesThePipesThatItIsMadeForWithTheirTolerances(): void
    {
        $range = self::range([['system' => 'pvc-dwv-40', 'size' => '2']]);
        self::assertTrue($range->takes('us:pvc', 60.325));
        self::assertTrue($range->takes('us:pvc', $range->lowMm));
        self::assertTrue($range->takes('us:pvc', $range->highMm));
        self::assertFalse($range->takes('us:pvc', $range->lowMm - 0.01));
        self::assertFalse($range->takes('us:pvc', $range->highMm + 0.01));
    }

    public function testAsWideAPipeOfAnotherMaterialDoesNotGoIn(): void
    {
        self::assertFalse(self::range([['system' => 'pvc-dwv-40', 'size' => '2']])->takes('us:abs', 60.325));
    }

    public function testItReachesFromTheNarrowestToTheWidestOfSeveral(): void
    {
        $two = self::range([['system' => 'pvc-dwv-40', 'size' => '2'], ['system' => 'ci-no-hub', 'size' => '2']]);
        $one = self::range([['system' => 'pvc-dwv-40', 'size' => '2']]);
        $other = self::range([['system' => 'ci-no-hub', 'size' => '2']]);
        self::assertSame(min($one->lowMm, $other->lowMm), $two->lowMm);
        self::assertSame(max($one->highMm, $other->highMm), $two->highMm);
        self::assertSame(['us:pvc', 'us:iron'], $two->kinds);
    }

    public function testWhatIsPrintedOnThePartGoesBeforeWhatIsDerived(): void
    {
        $printed = self::range([['system' => 'pvc-dwv-40', 'size' => '2']], 50.0, 70.0);
        self::assertSame([50.0, 70.0], [$printed->lowMm, $printed->highMm]);
    }

    public function testAPipeThatIsNotInTheCatalogueIsRefusedAtItsPlace(): void
    {
        foreach ([['system' => 'lead', 'size' => '2'], ['system' => 'pvc-dwv-40', 'size' => '7']] as $pipe) {
            try {
                self::range([$pipe]);
                self::fail('it was taken');
            } catch (BadInput $refused) {
                self::assertStringStartsWith('side.', $refused->field);
            }
        }
    }

    /** @param list<array{system: string, size: string}> $pipes */
    private static function range(array $pipes, ?float $low = null, ?float $high = null): PipeRange
    {
        return PipeRange::read($pipes, 'side', Catalogue::shipped(), $low, $high);
    }
}
