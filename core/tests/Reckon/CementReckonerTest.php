<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Which cement two ends take, and how long the weather makes it wait. */
final class CementReckonerTest extends TestCase
{
    use Reckons;

    private const PVC = ['a' => 'pvc-dwv-40', 'b' => 'pvc-dwv-40', 'size' => '3'];

    public function testDampAirMakesItWaitHalfAsLongAgain(): void
    {
        $at = static fn (float $humidity): array => self::reckon(
            'cement',
            self::PVC + ['air_c' => 20, 'surface_c' => 20, 'rh_percent' => $humidity],
        );
        self::assertSame([], self::found($at(60)));
        self::assertSame(['cement.damp'], self::found($at(61)));
        foreach (['set_min', 'cure_min'] as $time) {
            self::assertEqualsWithDelta(1.5, $at(61)[$time] / $at(60)[$time], 1e-9, $time);
        }
    }

    public function testTheColderOfAirAndPipeCounts(): void
    {
        $at = static fn (float $air, float $surface): array => self::reckon(
            'cement',
            self::PVC + ['air_c' => $air, 'surface_c' => $surface, 'rh_percent' => 50],
        );
        self::assertSame($at(3, 3)['set_min'], $at(20, 3)['set_min']);
        self::assertGreaterThan($at(20, 20)['set_min'], $at(20, 3)['set_min']);
        self::assertSame(['cement.cold'], self::found($at(20, 3)));
    }

    public function testNoCementIsNamedForWhatDoesNotDissolve(): void
    {
        $answer = self::reckon('cement', ['a' => 'pp-push-fit', 'b' => 'abs-solvent', 'size' => '32']);
        self::assertNull($answer['cement']);
        self::assertSame([], $answer['steps']);
        self::assertSame(['cement.doesNotDissolve'], self::found($answer));
    }
}
