<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Where a run is hung, by its legs alone. */
final class SupportsReckonerTest extends TestCase
{
    use Reckons;

    /**
     * @param array<string, mixed> $leg
     * @return array<string, mixed>
     */
    private static function hung(array $leg, float $first = 100.0): array
    {
        return self::reckon('supports', [
            'legs' => [$leg + ['length_mm' => 3000, 'way' => 'level', 'system' => 'pvc-dwv-40', 'size' => '2']],
            'rulebook' => 'upc-2021',
            'joists' => ['spacing_mm' => 406.4, 'offset_mm' => $first],
        ]);
    }

    public function testHangersHangFromTheJoistsThatAreThere(): void
    {
        foreach (self::hung([])['hangers'] as $hanger) {
            self::assertSame('joist', $hanger['kind']);
            $steps = ($hanger['at_mm'] - 100.0) / 406.4;
            self::assertEqualsWithDelta(round($steps), $steps, 1e-6);
        }
    }

    public function testAHeavyPartHasAHangerBesideIt(): void
    {
        self::assertNotContains('heavy', array_column(self::hung([])['hangers'], 'why'));
        self::assertContains('heavy', array_column(self::hung(['heavy_at_mm' => [1500]])['hangers'], 'why'));
    }

    public function testWhatABookDoesNotStateIsNotKnown(): void
    {
        self::assertSame([], self::found(self::hung([])));
        self::assertContains('hang.hot', self::found(self::hung(['contents_c' => 65])));
        $waste = ['system' => 'pp-push-fit', 'size' => '32', 'way' => 'down'];
        self::assertContains('hang.notStated', self::found(self::hung($waste)));
    }
}
